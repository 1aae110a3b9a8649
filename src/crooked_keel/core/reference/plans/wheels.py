"""Plans of what runs on wheels, and of two sources of power on one line.

Hours and waits are starting guesses to be changed: common practice, no source."""

from __future__ import annotations

from .kit import plan

SCOOTER_SWING_UNIT = plan(
    "scooter-swing-unit",
    "Scooter: a larger swing unit with a stretched frame",
    """
! Doubling power asks for brakes, tyre and frame to be judged before the engine is.
! Any frame cut is a registered-vehicle change: ask the authority before cutting.
! Grinding sparks and a fuel tank in the same frame: tank out, no exceptions.
t01, record, 3h, hold inspector: written answer
  Ask about registration, insurance and inspection for a larger engine and altered frame
t02, measure, 3h, after t01
  Weigh front and rear wheels with and without rider; photograph stance
t03, measure, 4h, after t01
  Measure wheelbase, rear axle, pivot width, shock length, tyre, brake size
t04, design, 6h, after t03
  New unit envelope: pivot pattern, length from pivot to axle, shock mount, case to frame clearance
t05, design, 5h, after t04, hold second: drawing signed
  Frame stretch: length, inserts, sleeve overlap, weld plan; wheelbase and steering-trail change
t06, design, 3h, after t02 t04
  Weight shift, brake adequacy for the new mass and power; upgrade list
t07, order, 1h, lead 21d, after t05 t06
  Order unit, hanger, longer shock, brake parts, hose, controller, loom adapters
t08, strip, 5h, after t02 t03
  Battery off, fuel out, body panels tagged, loom labelled both ends
  ! Drain and vent the tank; store outside
t09, strip, 3h, after t08
  Remove old swing unit, shock and exhaust; weigh all
t10, fabricate, 3h, after t09, hold second: photo
  Bare frame: paint stripped at weld zones, inspect for cracks
t11, fabricate, 10h, after t07 t10, hold inspector: weld and alignment record
  Cut, sleeve, jig to keep pivot and head aligned, tack, check, weld
  ! A frame cooled in a vice pulls: recheck after welding
t12, inspect, 3h, after t11, hold second: dimension record
  Straightness: wheel planes within limit, head to pivot measured twice
t13, fit, 3h, after t12, hold second: torque record
  Primer, then hanger bushes and pivot bolt, greased and torqued
t14, fit, 4h, after t07 t13, gate in, hold second: torque record
  Fit unit with bushes loose; shock at ride height; torque with weight on
  ! Torque rubber bushes at ride height or they tear
t15, connect, 5h, after t14
  Loom: stator pole count, regulator type, charging test points
t16, connect, 3h, after t14, needs fuel
  Fuel line, filter, vacuum tap; carburettor tuned for height
t17, connect, 2h, after t14, hold second: full-lock check
  Throttle and brake cables or hose; full lock check
  ! Engine must not speed up when the bars turn lock to lock
t18, fit, 2h, after t14, needs an engine
  Exhaust, clearance at full bump
t19, fluid, 2h, after t14, needs an engine, hold second: fill record
  Engine oil and gear-case oil, level checked upright
t20, fit, 2h, after t14
  Stand, wheel clearance at full bump; try body panels, then leave them off until the first start is dry
t21, test, 2h, after t15 t19, needs an engine, hold second: reading
  Crank for oil pressure or flow at the head, ignition and fuel off
t22, test, 2h, after t16 t17 t18 t20 t21, gate start, hold second: run log
  First start, idle set, leak check, charging voltage
  ! Rear wheel clear of the ground and guarded: the clutch drives it above idle
t23, test, 3h, after t22, hold second: brake record
  Weigh both wheels against tyre ratings; brake test: dry stop distance against old, lever force
  ! Closed area, walking pace first, full gear
t24, test, 3h, after t23, hold second: road card
  Road cards: gears, top speed, over-run, wobble at speed
  ! Closed or legal road; full gear
t25, record, 2h, after t24, hold inspector: record
  Retorque pivot, shock, axle after first 50 km; oil change; inspection booked
""",
)

SCOOTER_ELECTRIC = plan(
    "scooter-electric",
    "Classic scooter to electric swing-arm motor",
    """
! Cells and controllers can deliver welding current: cover terminals, remove rings.
! Battery box must hold in a fall and keep out the road's water.
! Range is a number to be measured, not promised.
t01, record, 3h, hold inspector: written answer
  Ask for licence class, registration and inspection for an electric conversion
t02, measure, 3h, after t01
  Weigh old vehicle axle by axle and list parts to remove
t03, design, 6h, after t02
  Motor and swing-arm choice: torque, top speed, arm length, axle width, brake type
t04, design, 6h, after t02
  Pack: cells in series and parallel, mass, box position, centre of gravity
t05, design, 4h, after t03 t04, hold electrician: fuse, pre-charge and cut-off sheet
  Controller current, main fuse, pre-charge, contactor, emergency cut-off
t06, order, 1h, lead 35d, after t05
  Order motor, controller, pack cells or modules, charger, contactor, fuse, cable
t07, strip, 4h, after t02
  Fuel out, engine, exhaust, tank removed and stored, tank vented
  ! Vapour remains in an empty tank
t08, fabricate, 6h, after t06 t07, hold second: load check
  Battery box with hold-downs, drain, vent, and insulating lining
t09, fabricate, 6h, after t06 t07, hold second: dimension record
  Swing-arm adapter, torque reaction link, axle spacers
t10, fit, 4h, after t09, before t12, gate in, hold second: torque record
  Fit arm and motor; brake alignment; bush torque at ride height
t11, fit, 4h, after t08, hold electrician: cell table
  Pack assembly with cell voltages recorded before joining
  ! One-hand rule; insulated tools; no metal watch
t12, connect, 6h, after t06 t10 t11, hold electrician: polarity and link torque record
  High-current wiring: fuse nearest the pack, contactor, pre-charge resistor, emergency switch
  ! Pack fuse or service link out until insulation is proved; the pack side is always live
t13, test, 2h, after t12, hold electrician: resistance record
  Insulation resistance pack to frame, pack off then on
  ! Pack off and electronics disconnected for the test voltage; two people
t14, connect, 5h, after t12
  Low-voltage: converter, lights, horn, brake cut-off, side-stand cut-off
t15, connect, 3h, after t10, hold second: brake check
  Brake lines or rods, parking brake
t16, test, 2h, after t13 t14, hold electrician: state test
  Bench state check on a dummy load: pre-charge, emergency stop, interlock; arm with throttle not zero must be
  refused
t17, test, 2h, after t15 t16, gate start, hold electrician: run log
  First energise wheel off the ground, low current limit; direction
  ! Wheel guarded, stand stable
t18, test, 2h, after t17, hold electrician: charge log
  First charge attended with every cut-off proved; then regeneration and brake priority test, pack not full
  ! A first charge is never left alone; outdoors or beside an open door, fire plan ready
t19, measure, 2h, after t18, hold second: weighing sheet
  Second weighing against tyre and axle ratings; label voltage, mass, responsible person
t20, test, 3h, after t19, hold second: road card
  Low-speed road cards: stops, cut-off, thermal soak
t21, test, 3h, after t20, hold second: range log
  Range loop: energy per km, reserve, charger full cycle
t22, record, 2h, after t21, hold inspector: record
  Retorque, contactor temperature, inspection and registration
""",
)

MOTORCYCLE_ENGINE_SMALL_CAR = plan(
    "motorcycle-engine-small-car",
    "Motorcycle engine into a small car",
    """
! Chain or shaft drive takes shock: reversing, differential and chain tension decide the layout.
! A motorcycle oil sump starves in corners: baffle or dry sump before hard driving.
! No reverse gear is a legal fault in many places.
t01, record, 3h, hold inspector: written answer
  Ask approval, emission and insurance rules for an engine swap
t02, measure, 4h, after t01
  Weigh car corner by corner; photograph and measure bay
t03, design, 6h, after t02, hold second: layout signed
  Engine angle as in the motorcycle, mount plan, chain or propeller shaft line, differential
t04, design, 5h, after t03
  Reverse method, gear ratios, speed per thousand rpm, driveshaft angles; brake energy ratio
t05, design, 4h, after t03, needs an engine
  Oil surge plan: baffle, deeper pan, accumulator or dry sump
t06, order, 1h, lead 30d, after t03 t04 t05
  Order engine complete with loom, clutch, radiator, coupler, parts list
t07, strip, 8h, after t02
  Battery off, fuel out; remove old engine, gearbox, tank, exhaust; label loom; weigh
  ! Support car on stands rated for it
t08, measure, 2h, after t07
  Clean and measure bay, cut dummy from board
t09, fabricate, 12h, after t06 t08, hold second: weld record
  Mounts, subframe, chain adjuster, guards, tacked on dummy then welded off car
t10, fit, 6h, after t06 t08, before t11
  Parts only reachable now: brake pipes, fuel lines through tunnel, gear-linkage bulkhead; sump baffle or
  dry-sump parts
t11, fit, 5h, after t09 t10, gate in, hold second: torque record
  Install engine, torque mounts, rubber preload
t12, fit, 5h, after t11, hold second: alignment record
  Drive: chain alignment or shaft angles, guard, lash
t13, connect, 5h, after t11, needs liquid cooling
  Radiator, fan, swirl pot, bleed points, expansion
t14, connect, 5h, after t11, needs fuel, hold second: leak record
  Fuel: pump, filter, return, pressure; leak test at working pressure
  ! Open fuel: craft and can bonded, no ignition source, extinguisher at hand
t15, connect, 6h, after t11
  Loom and controller: side-stand, tip-over and clutch inputs dealt with; charge
t16, connect, 4h, after t11, hold second: travel check
  Clutch, throttle, gear shift linkage; travel
t17, fit, 4h, after t11, needs an engine
  Exhaust manifold clearances, shield, flexible piece
t18, fluid, 2h, after t13, needs an engine, hold second: fill record
  Oil, coolant; note volumes
t19, test, 2h, after t15 t18, needs an engine, hold second: reading
  Crank, plugs out, fuel off and ignition disabled, until oil pressure
  ! No pressure after four cranks of 15 s means stop and find out why
t20, test, 3h, after t14 t16 t17 t19, gate start, hold second: run log
  First start on stands; leak; charge; fan cut-in
  ! Neutral, wheels clear, exhaust led outdoors; no oil pressure in 10 s means stop
t21, test, 3h, after t12 t20, hold second: check
  Drive wheels off ground: gears, reverse, guard
  ! Rated stands and chocks; nobody in line with chain, shaft or wheels
t22, measure, 2h, after t21, hold second: weighing sheet
  Second weighing: corner weights against tyre and axle limits
t23, test, 4h, after t22, hold inspector: brake record
  Brake balance and stopping distance; brakes judged for new power
t24, test, 4h, after t23, hold second: road card
  Road cards: cornering oil pressure, cooling climb, noise
t25, record, 3h, after t24, hold inspector: record
  Retorque, inspection, registration
""",
)

SMALL_CAR_ELECTRIC = plan(
    "small-car-electric",
    "Small car to electric",
    """
! Orange means lethal; nobody works alone on the pack.
! Isolate, wait, and prove dead at the meter: three steps, in that order.
! Rear weight changes brakes, springs and tyre load.
t01, record, 4h, hold inspector: written answer
  Ask conversion code, structural sign-off and electrical inspector needed
t02, measure, 4h, after t01
  Corner weights, ride height, spring rates, brake sizes
t03, design, 8h, after t02
  Motor and adapter: shaft, clutch or direct, torque reaction, ratio, top speed
t04, design, 8h, after t02, hold inspector: design review
  Pack location, box strength, cell cooling, crash zone, service cut-off
t05, design, 6h, after t03 t04
  Coolant loop, charger, converter, heater, vacuum or brake assist, steering assist
t06, order, 1h, lead 75d, after t05
  Order motor, controller, cells, contactors, fuse, charger, converter
t07, strip, 10h, after t02
  Remove engine, tank, exhaust, radiator; keep a labelled loom; weigh parts
  ! Tank out first; purge before any heat
t08, fabricate, 16h, after t06 t07, hold second: run-out record
  Adapter plate and coupler: concentric bore, run-out, spacing
t09, fabricate, 20h, after t06 t07, hold inspector: weld record
  Pack boxes and cross members, crash brackets, vents
t10, fit, 6h, after t07, before t11
  Before mating: brake pipes, gearbox seals, tunnel cables, heat pump lines
t11, fit, 6h, after t08 t10, gate in, hold second: torque record
  Install motor and gearbox; torque mounts
t12, fit, 10h, after t09, hold electrician: cell and link record
  Install packs with cell voltages and torque of links recorded
  ! Insulated gloves rated for the voltage; covers on unused terminals
t13, connect, 12h, after t11 t12, hold electrician: polarity and joint record
  High-voltage: fuse mid-pack, interlock loop through every cover, service plug, orange conduit
  ! Service plug out, wait, prove dead before each joint; the pack side is always live
t14, connect, 8h, after t11
  Low-voltage: 12 V converter, ignition feed, brake light, reverse light, airbag loom left intact
t15, connect, 4h, after t11, hold second: leak record
  Coolant loop, bleed, pump, reservoir
t16, test, 4h, after t13, hold electrician: resistance record
  Insulation resistance and interlock open-circuit test
  ! Electronics disconnected for the test voltage; two people
t17, test, 3h, after t14 t16, hold electrician: scope or log
  Pre-charge test with dummy load; contactor weld check; emergency stop and interlock drop the contactors
t18, test, 4h, after t15 t16 t17, gate start, hold electrician: run log
  First energise with wheels off ground, reduced current, direction and throttle map
  ! Rated stands, wheels guarded; one person at the emergency stop, nobody touching the car
t19, test, 3h, after t18, hold electrician: fault table
  Fault list: every fault forced and proved to shut down; first charge attended with every cut-off proved
t20, measure, 3h, after t19, hold inspector: weighing sheet
  Corner weights, tyre and axle limits, plate
t21, test, 4h, after t20, hold inspector: brake record
  Brake assist, regeneration blend, stopping distance
t22, test, 6h, after t21, hold second: road card
  Road cards: thermal climb, range, charge cycle
t23, inspect, 4h, after t22, hold inspector: certificate
  First-responder labels, cut-off loop, manual, final inspection
t24, record, 2h, after t23, hold electrician: record
  Retorque links, contactor heat picture, insulation repeat at 500 km
""",
)

PARALLEL_HYBRID = plan(
    "parallel-hybrid",
    "Parallel hybrid (engine plus motor on one line)",
    """
! Two power sources on one shaft: each must be able to be stopped by itself.
! A motor dragged by the engine makes voltage: isolate before touching a still-turning shaft.
! The worst fault is both sources pushing when the control expects one.
t01, record, 3h, hold inspector: mode note
  Decide mode list: engine only, motor only, both, regeneration; who may sign
t02, measure, 4h, after t01
  Weigh as received, locate shaft line, measure belt or coupling space
t03, design, 8h, after t02, hold second: layout signed
  Layout: motor in line, belt or power take-off; freewheel or clutch; torque limit of the shaft with both
t04, design, 4h, after t03
  Belt and bearing load, shaft side load, torsional check; back-voltage at top engine speed
t05, design, 6h, after t03
  Pack, voltage, fuse, pre-charge, isolation, cut-off both sides
t06, design, 4h, after t03, hold second: balance sheet
  Weight and balance for pack empty spaces and fuel burn together
t07, order, 1h, lead 60d, after t04 t05 t06
  Order motor, clutch, belt, controller, pack, guard
t08, strip, 6h, after t02
  Isolate, drain, label, open the drive line
t09, inspect, 3h, after t08, hold inspector: report
  Inspect shaft, gear and mount for added torque and side load
t10, fabricate, 14h, after t07 t09, hold second: weld record
  Motor bracket, belt guard, clutch housing; jig to shaft
t11, fit, 4h, after t07 t09, before t12
  Before closing: shaft key, clutch inner, sensors
t12, fit, 6h, after t10 t11, gate in, hold second: alignment record
  Fit motor, tension and align belt; run-out
t13, fit, 6h, after t07 t09, hold electrician: cell record
  Pack in box with restraint, cell record
  ! Insulated tools, covers on; the pack is always live
t14, connect, 8h, after t12 t13, hold electrician: polarity and joint record
  High-voltage wiring with interlock through guard and covers
  ! Service plug out, wait, prove dead with the shaft held still before each joint
t15, connect, 6h, after t12
  Control: torque sum limit, single stop for both, neutral interlock
t16, connect, 4h, after t12 t13, hold second: leak record
  Coolant loop, bleed, pump
t17, test, 3h, after t14, hold electrician: record
  Insulation resistance and pre-charge record
t18, test, 3h, after t15 t17, hold electrician: fault table
  State test: every mode change and every fault with engine off
t19, test, 3h, after t16 t18, gate start, hold second: run log
  Motor only, shaft free or wheel off ground; direction agrees with engine
  ! Prove direction before coupling engine
t20, test, 3h, after t19, hold second: run log
  Fluids in; crank for oil pressure, fuel and ignition off; engine alone, motor isolated; back-voltage measured
  ! Turning shaft keeps the motor side live; no oil pressure in 10 s means stop
t21, test, 4h, after t20, hold electrician: trip record
  Both together at low torque; torque split; trip test under load
  ! Guards on; one person at the single stop; trip proved at low torque first
t22, measure, 3h, after t21, hold inspector: weighing sheet
  Second weighing, balance and placards
t23, test, 4h, after t22, hold inspector: trial card
  Trial cards: speed, energy, fuel, temperature, mode changes under way
t24, record, 2h, after t23, hold inspector: record
  Retorque belt, bearing temperature, papers
""",
)

MOTORCYCLE_ENGINE = plan(
    "motorcycle-engine",
    "Motorcycle: another engine in the frame",
    """
! A changed frame or engine is a matter of registration, insurance and inspection: ask before anything is cut.
! Tank out before grinding or welding; strap it before an end is lifted, a second person holds it.
! Nothing near chain and sprockets with the engine running; the guard goes on first.
t01, record, 3h, hold inspector: authority note
  Ask about registration, insurance and inspection for another engine and an altered frame
t02, measure, 3h, after t01, hold second: weighing sheet
  Weigh both wheels with and without rider; photograph the stance, sag and steering head
t03, measure, 3h, after t01
  Measure pivot, chain line, mount points, wheelbase; label loom, cables and hoses at both ends
t04, design, 6h, after t02 t03, hold second: signed drawing
  Place the unit: sprocket planes, front brackets, clearances at full bump and lock, mass on the wheels
t05, order, 1h, lead 28d, after t04
  Order unit, brackets, sprockets, chain, hoses, controller and loom adapters
t06, strip, 5h, after t02 t03
  Battery off, fuel out, tank off; remove and weigh the old engine, exhaust and all that goes with it
t07, inspect, 2h, after t06, hold second: inspection sheet
  Bare frame at the brackets and the steering head: cracks, straightness
t08, fabricate, 10h, after t05 t07, hold inspector: weld inspection
  Brackets and head steady on a dummy, tacked, checked for chain line, then welded, battery and controller out
t09, fit, 2h, after t08, before t10
  What the engine hides: lower harness, breather, swing-arm pivot torque, rear brake line
t10, fit, 4h, after t09, gate in, hold second: torque record
  Lift the engine in; bolts with spacers, torque and mark
t11, fit, 3h, after t10, hold second: plane and slack readings
  Sprockets in one plane, chain slack over the whole travel, guard on
t12, connect, 4h, after t10, needs fuel
  Fuel: tap or pump, filter, lines clear of the exhaust, tank vented
t13, connect, 4h, after t10, needs liquid cooling
  Radiator, fan, hoses, header highest; fill, bleed at every high point
t14, fluid, 2h, after t10 t13, needs an engine, hold second: fill record
  Oil, coolant; grade and volume noted; levels checked upright
t15, connect, 5h, after t10
  Loom, charging, earth strap; side-stand and clutch switches dealt with
t16, connect, 2h, after t10, hold second: check sheet
  Throttle snaps shut at every lock; clutch and brake free play
t17, fit, 3h, after t10, needs an engine
  Exhaust: clear of hoses, stand and rider; nothing under tension
t18, test, 1h, after t14 t15, needs an engine, hold second: reading
  Crank, plugs out, ignition grounded and fuel off, until oil pressure or flow shows
t19, test, 2h, after t11 t12 t16 t17 t18, gate start, hold second: leak check signed
  First start on the stand, rear wheel clear: leaks, charging, idle, stop switch
t20, measure, 2h, after t19, hold second: new weights
  Second weighing of both wheels, with rider too; lamp height, stand, lean clearance
t21, test, 3h, after t20, hold second: card complete
  Road cards: brakes first, then gears, temperatures, top speed
t22, record, 2h, after t21, hold inspector: papers
  Retorque after 50 km, chain again, inspection and registration
""",
)

PACK = plan(
    "pack",
    "What an electric unit adds",
    """
! Cells and controllers can deliver welding current: cover terminals, remove rings.
! Isolate, wait, and prove dead at the meter: three steps, in that order.
hv1, fabricate, 12h, hold inspector: box photographs and mass
  Boxes of the packs: hold-downs, vents, drain, lining that insulates
hv2, fit, 6h, after hv1, hold electrician: cell voltage sheet
  Packs in, cell voltages and torque of the links recorded before they are joined
hv3, connect, 6h, after hv2, hold electrician: wiring photographs
  High voltage: fuse nearest the pack, contactors, pre-charge, interlock through every cover, service plug
hv4, test, 3h, after hv3, hold electrician: isolation reading
  Isolation, pack off then on; interlock opened and closed
hv5, test, 3h, after hv4, hold electrician: state log
  Pre-charge on a dummy load; emergency stop and interlock drop the contactors; a weld is found
""",
)
