"""Plans of boats. Hours and waits are starting guesses to be changed: common practice, no source."""

from __future__ import annotations

from .kit import plan

INBOARD_DIESEL_SINGLE = plan(
    "inboard-diesel-single",
    "Inboard diesel, single, in a displacement or sailing hull",
    """
! A boat afloat can sink through any open through-hull: close, plug and tag.
! Old fuel and oil go to a collection point, never the bilge.
! Bed heights first: shaft line and floors decide every other length.
t01, measure, 6h, hold second: port list signed
  Survey old set: bed heights, shaft diameter, coupling, ratio, rotation, propeller, exhaust run, all hose sizes
t02, measure, 3h, after t01
  Record trim marks, waterline, and old machinery mass by weighing or quote
t03, design, 8h, after t01 t02, hold second: layout approved
  Draw new unit on beds: feet, shaft angle, flange position, service clearances, hatch clearance
t04, design, 4h, after t03
  Propeller and ratio check; shaft size; coupling bolt pattern
t05, design, 4h, after t03, needs an engine
  Exhaust: riser height over static and heeled waterline, lift lock volume, vented loop decision
t06, order, 1h, lead 40d, after t04 t05
  Order engine, feet, coupling, hoses, lock, filters, panel harness
t07, strip, 8h, after t01 t02
  Haul out, shore the hull; isolate batteries, shut fuel and sea valve; drain; label, disconnect and photograph
  ! Shaft and gland work afloat can sink the boat; trim marks are lost once the engine is out
t08, strip, 6h, after t07
  Uncouple shaft, support it, hoist old engine through hatch; sell or keep list
  ! Rig a rated beam and a second sling; the hull is not a lifting point
t09, inspect, 4h, after t08, hold yard: inspection list
  Inspect beds, fastenings, stern gear, tank, seacock while reachable
t10, fabricate, 16h, after t09, before t13
  Rework beds, drip tray, sound lining; paint before engine hides it
t11, fit, 3h, after t08, before t13, hold yard: shaft run-out record
  Shaft, stern gland or seal, and cutlass bearing while accessible
t12, connect, 6h, after t06 t09, needs fuel
  Tank pick-up and return, primary filter, shut-off valve, fire-rated hose
t13, fit, 6h, after t06 t10 t11, gate in
  Lower engine on feet at mid-adjustment; rough align
  ! Hands clear of feet while lowering
t14, test, 4h, after t13, hold yard: feeler record
  Align at coupling ashore to working limits; record four positions
t15, connect, 5h, after t13, needs sea water
  Raw-water: strainer, hose size change, vented loop between last cooler and injection, pump prime
t16, connect, 5h, after t13, needs an engine, hold yard: height sheet: injection, loop, lock, gooseneck
  Exhaust: riser, hose with steady fall to lock, gooseneck, outlet flap
t17, connect, 4h, after t13, needs liquid cooling
  Coolant circuit and heater loop, with a bleed at every high point
t18, connect, 6h, after t13
  Electrics: start cable, alternator regulation, stop circuit, alarm panel
t19, connect, 3h, after t13, hold second: travel check
  Throttle and gear cables; travel, neutral interlock
t20, fluid, 2h, after t15 t16 t17, needs an engine, hold second: fill record
  Fill engine oil, gear oil, coolant; bleed; record volumes and grade
t21, connect, 2h, after t12, needs fuel
  Bleed fuel to the injection pump; no air in return; every joint dry
t22, test, 2h, after t18 t19 t20 t21, needs an engine, hold second: reading
  Crank with stop held until oil pressure shows
  ! Gear in neutral. Do not crank long with raw-water open: the lock fills and water backs into the engine;
    drain the lock afterwards. No pressure after four cranks of 15 s means stop and find out why
t23, test, 3h, after t14 t19 t21 t22, gate start, hold second: run log
  Launch with sea valves shut, open one at a time and look; first start dockside: raw-water at outlet, leaks,
  charge, idle
  ! Slings stay on until gland and every through-hull is seen dry; raw-water valve open the moment it fires;
    neutral only; no oil pressure in 10 s means stop
t24, test, 4h, after t23, hold yard: feeler record and height sheet
  Afloat a day: trim marks, injection above the real loaded waterline, realign at coupling, tanks filled and rig
  tight
t25, test, 4h, after t24, hold surveyor: trial card
  Sea trial: rpm ladder, full-throttle rpm, temperatures, back pressure, reciprocal runs
t26, record, 2h, after t25, hold second: retorque record
  Retorque feet, coupling, hose clips; update stability and insurance notes
""",
)

INBOARD_TWIN = plan(
    "inboard-twin",
    "Twin inboards in a planing hull",
    """
! Both engines and both gear ratios must agree: one mismatch pulls the boat and breaks the gearbox.
! Never run one engine with the other shaft free without checking the gear maker's drag rule.
! Petrol boats: blower 4 minutes and sniff before every start.
t01, measure, 8h, hold second: port list signed
  Survey both sets: rotation of each propeller, ratios, shaft angles, tank feeds, cross-over valves; trim marks
  afloat
t02, design, 6h, after t01
  Choose rotation pair; confirm gearbox runs the wanted direction without forced reverse
t03, design, 6h, after t01, hold second: balance sheet
  Weight change port and starboard, longitudinal move, fuel state; list and trim prediction
t04, design, 6h, after t02
  Propeller pair, slip and full-throttle rpm prediction; tunnel and strut clearance
t05, design, 6h, after t03
  Beds, stringer loads, hatch opening, order of removal
t06, order, 1h, lead 60d, after t04 t05
  Order both engines, gears, controls, panels as one batch, same revision
t07, strip, 10h, after t01
  Haul out and shore the hull; isolate batteries, vapour-check bilge, drain, label, photograph, disconnect both
  ! Vapour meter reads clear before any spark or tool with a brush motor
t08, strip, 8h, after t05 t07
  Hoist out port then starboard; plug exhaust outlets; keep or sell list
  ! The boat lists as the first leaves; support hull evenly
t09, inspect, 6h, after t08, hold surveyor: inspection list
  Stringers, bulkheads, shaft logs, tanks, wiring while reachable
t10, fabricate, 20h, after t09, before t15
  Rebuild stringer caps and beds to the drawing; gelcoat
t11, fit, 6h, after t09, before t15, hold yard: run-out record
  Shafts, struts, logs, rudders: both sides set and run-out checked
t12, connect, 6h, after t09, needs an engine
  Ventilation: blower ducts low in bilge, intake area, ignition-protected gear
t13, connect, 6h, after t09, needs fuel, hold second: valve and line pressure test
  Fuel tanks and selector; supply and return of each engine on the same tank; lines pressure-tested
  ! Open fuel: craft and can bonded, no ignition source, extinguisher at hand
t14, connect, 6h, after t06, before t15
  On the stand, before lowering: fit what the inboard side hides (hoses, exhaust elbows, starter cables,
  senders)
t15, fit, 10h, after t10 t11 t14, gate in
  Lower the engine with the worse access first, finish and check its inboard-side joins, then the second; rough
  align
  ! Hands clear of feet while lowering; the second engine waits until the inboard-side joins are checked
t16, test, 5h, after t15, hold yard: feeler record
  Align both couplings ashore
t17, connect, 10h, after t15, needs sea water, hold yard: height sheet: injection, loop, lock, both sides
  Raw-water, exhaust, coolant, outboard side
t18, connect, 8h, after t15
  Electrics: two start banks, isolator, cross-start, alarms, ignition protection
t19, connect, 4h, after t15, hold second: travel and direction check
  Controls and synchronisation: equal travel, gear shift direction checked at prop
t20, fluid, 2h, after t17, needs an engine, hold second: fill record
  Fluids and levels, both sides
t21, test, 2h, after t12 t13 t18 t19 t20, needs an engine, hold second: readings
  Crank each engine until oil pressure, fuel and ignition off, neutral
  ! Blower and vapour check before the starter turns; raw-water valves shut while cranking, drain the locks
    afterwards. No pressure after four cranks of 15 s means stop and find out why
t22, test, 3h, after t12 t13 t16 t19 t21, gate start, hold second: run log
  Launch with valves shut, open one at a time and look; first start one by one, blower on, watch the shafts'
  rotation
  ! Slings stay on until gland and every through-hull is seen dry; blower 4 minutes and sniff; raw-water valve
    open the moment it fires; lines doubled
t23, test, 4h, after t22, hold yard: feeler record
  Afloat realign both
t24, test, 6h, after t23, hold surveyor: trial card
  Sea trial: match rpm, speed ladder, steering neutral check, fuel burn each
t25, test, 3h, after t24, hold surveyor: alarm record
  Crash stop, alarm tests, carbon monoxide check at cabin with doors open
t26, record, 3h, after t25, hold second: record
  Retorque, papers, capacity and compliance plates reviewed
""",
)

CLASSIC_RUNABOUT = plan(
    "classic-runabout",
    "Classic runabout with inboard, wooden hull",
    """
! Petrol in an open wooden hull: every leak falls into the bilge; blower and sniff first.
! Old wood holds bolts less well than the drawing says: pull-test, do not overtighten.
! Originality: keep removed parts labelled; value may lie in them.
t01, record, 2h, hold second: photo set
  Photograph everything as found, plate numbers, instrument faces, upholstery access
t02, measure, 4h, after t01
  Weigh and trim: waterline marks, floor loads, old engine mass
t03, measure, 4h, after t01
  Measure stringers, bolt centres, shaft angle, coupling, rotation, steering box
t04, design, 5h, after t02 t03, hold second: layout approved
  New unit fit: height under hatch, flange height, angle; mass and centre change
t05, design, 3h, after t03
  Rotation and ratio: does the replacement turn the propeller the old way; propeller handedness
t06, order, 1h, lead 30d, after t04 t05
  Order unit, adapter plates, flexible coupling, hose, exhaust manifold with water jacket
t07, strip, 6h, after t02 t03
  Haul out; isolate battery, vapour-check, drain fuel; remove hatch trim with care, tag screws by plank position
  ! Vapour meter reads clear before any spark; protect varnish with boards
t08, strip, 5h, after t07
  Hoist engine out, plug the shaft log
  ! Wet wood swells, dry wood opens: keep hull damp while out
t09, inspect, 4h, after t08, hold surveyor: probe record
  Stringers, floors, keel bolts, planks under engine; probe for rot
t10, fabricate, 16h, after t09, before t12, hold surveyor: fastening and bed record
  Sister or replace stringers, new bronze fastenings, seal end grain
t11, fit, 4h, after t09, before t12, hold yard: run-out record
  Shaft, packing, strut; run-out check while open
t12, fit, 5h, after t06 t10 t11, gate in
  Lower new engine onto shims; rough align; check hood clearance
t13, connect, 4h, after t12, needs sea water
  Raw-water intake, hose sizes, manifold route, overboard outlet
t14, connect, 4h, after t12, needs an engine, hold second: height sheet
  Exhaust hose, riser above loaded waterline
t15, connect, 5h, after t12, needs fuel, hold second: pressure test of lines
  Fuel: anti-siphon fitting, tank vent outboard, backfire arrestor, shut-off
  ! Open fuel: craft and can bonded, no ignition source, extinguisher at hand
t16, connect, 5h, after t12
  Electrics: polarity, new harness, old gauges adapted, ignition-protected parts
t17, connect, 3h, after t12
  Throttle, choke, shift rods; travel; neutral start
t18, fit, 3h, after t12, needs an engine, hold second: vapour check
  Blower, bilge intake, flame-arresting bilge cleanliness
t19, fluid, 2h, after t13 t14, needs an engine, hold second: fill record
  Fill oil, gear, coolant; note volumes
t20, test, 3h, after t11 t12 t13 t14, hold yard: feeler record
  Launch with valves shut, leave afloat until planks take up, then align; never align a wooden boat dry
  ! Aligned on the trailer is not aligned afloat; bilge pump rigged, slings on until the leaks slow
t21, test, 2h, after t15 t16 t17 t18 t19, needs an engine, hold second: reading
  Crank with ignition and fuel off, neutral, for oil pressure
  ! Blower 4 minutes and sniff before the starter turns; raw-water valve shut while cranking. No pressure after
    four cranks of 15 s means stop and find out why
t22, test, 3h, after t15 t17 t18 t20 t21, gate start, hold second: run log
  First start at dock, blower running, sniff, water flow
  ! Blower 4 minutes, sniff, hatch open, extinguisher in hand; raw-water valve open the moment it fires
t23, test, 4h, after t22, hold surveyor: trial card
  Trial: full-throttle rpm against rating, planing time, temperature, slip; carbon monoxide at the seats
t24, record, 3h, after t23, hold second: record
  Retorque stringers after a season, hatch trim, plate and papers
""",
)
