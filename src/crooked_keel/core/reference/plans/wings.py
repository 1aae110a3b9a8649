"""Plans of aircraft. Hours and waits are starting guesses to be changed: common practice, no source."""

from __future__ import annotations

from .kit import plan

TRACTOR_AIRCRAFT = plan(
    "tractor-aircraft",
    "Tractor aircraft, engine on the nose",
    """
! Propeller is treated as live from the moment it is on the shaft; never stand in its arc.
! Paper route first: amateur-built, experimental or type-certificated decides who may sign.
! Tail support and wheel chocks before the old engine weight leaves the nose.
t01, record, 4h, hold inspector: route note signed
  Write down the approval route, who may sign, and the papers needed before flight
t02, measure, 6h, after t01, hold second: weighing sheet
  Weigh the craft as received, level, with fluids stated; photograph scale readings
t03, measure, 4h, after t01
  Photograph and tag every hose, cable and wire at the firewall with both-end labels
t04, strip, 6h, after t02 t03
  Isolate battery, ground ignition, drain fuel and oil, propeller off, support the tail, lift old engine out
  ! Propeller is live until it is off; the tail drops when the engine leaves: block it first; nobody under the
    load
t05, measure, 4h, after t04
  Weigh the removed engine, mount, propeller and every removed part; list kept or sold
t06, inspect, 4h, after t04, hold inspector: inspection report
  Inspect firewall and mount fittings for cracks, corrosion and elongated holes
t07, design, 10h, after t02 t05, hold second: signed balance sheet
  Set engine station, thrust line, mount loads and ballast; freeze the predicted empty weight and balance
t08, order, 1h, lead 45d, after t07
  Order mount tube, isolators, propeller, hoses and firewall fittings
t09, fabricate, 24h, after t06 t08
  Make mount in a jig, tack on the engine dummy, trial fit, then final weld
  ! Purge and shield; no tack welds over oil or fuel residue
t10, inspect, 3h, after t09, hold inspector: weld and dimension record
  Inspect mount welds and dimensions against drawing before paint
t11, fit, 6h, after t06 t07
  Firewall: new holes to the frozen layout, doublers, fire-rated pass-throughs, sealed; everything behind the
  engine
  ! Do all drilling before the engine hides the firewall
t12, fit, 5h, after t08 t11, before t14
  Fit what only goes on before the engine is mated: rear-side sensors, lower isolators, hidden elbows, oil
  pickup line
t13, fit, 4h, after t10 t12, hold second: torque record
  Fit mount to firewall, torque and mark bolts
t14, fit, 6h, after t13, gate in, hold second: torque record
  Hoist and mate engine to mount; torque in cross pattern; mark
  ! Nobody under the load; safety sling behind the hook
t15, connect, 8h, after t14, needs fuel
  Fuel: lines forward of firewall fire-rated, filters coarse to fine, pump, vents
  ! Open fuel: craft and can bonded, no ignition source, extinguisher at hand
t16, connect, 8h, after t14, needs an engine
  Oil system: tank, cooler, scavenge and pressure lines, breather; prime dry lines; fill, record grade and
  volume
t17, connect, 10h, after t14, needs liquid cooling
  Cooling: radiator, ducts, inlet and exit sealing, header tank highest; fill, bleed every high point
t18, connect, 10h, after t14
  Electrics: two independent ignition feeds, battery, charging, engine monitor
t19, connect, 4h, after t14, hold second: full travel check
  Throttle, mixture or choke, and carburettor heat controls: full travel, stops, springs to safe
t20, fit, 6h, after t14, needs an engine
  Exhaust with slip joints, shield hoses and wires, cabin heat muff pressure-checked
  ! A cracked muff puts carbon monoxide in the cabin
t21, test, 3h, after t15, needs fuel, hold second: flow figures
  Fuel flow test at climb attitude and unusable fuel measurement
  ! Open fuel: craft and can bonded, no ignition source, extinguisher at hand
t22, test, 3h, after t16 t18, needs an engine, hold second: pressure reading
  Crank, plugs out, ignition and fuel off, until oil pressure shows
  ! Propeller still off. No pressure after four cranks of 15 s means stop and find out why
t23, fit, 3h, after t22, hold second: torque and track record
  Fit propeller last, torque in star order, track the blades
  ! Ignition grounded and proven before touching the propeller
t24, test, 5h, after t17 t19 t20 t21 t23, gate start, hold second: run log
  First start, tied down, two people, extinguisher; leak check; idle mixture
  ! Nobody in the propeller plane; one person at the cut-off; no oil pressure in 10 s means stop
t25, test, 5h, after t24, hold inspector: run log
  Tied-down full-power run: temperatures, static rpm, fuel pressure, nose-up cooling
  ! Chocks and rope rated for full thrust, brakes are not enough; abort limits read aloud first
t26, measure, 4h, after t25, hold inspector: weighing sheet
  Second weighing with all items; compare with prediction; new balance papers
t27, inspect, 4h, after t25 t26, hold inspector: release or condition entry
  Final inspection, cowls off: retorque propeller, mount and exhaust after the run; cowls on; close squawks
t28, test, 4h, after t27, hold inspector: test card
  Taxi and brake cards, then, with release and papers signed, first flight card within the permitted area
  ! A hop is a flight: none without runway left to stop on; minimum crew, no passengers
t29, test, 4h, after t28, hold second: retorque record
  Retorque mount, propeller and exhaust after first hours; oil filter cut and read
""",
)

PUSHER_CANARD = plan(
    "pusher-canard",
    "Pusher canard, engine at the rear",
    """
! An empty pusher canard tips on its tail: nose weight or tie-down whenever the pilot seat is empty.
! Anything loose in the cowl goes through the propeller.
! Ground clearance of the propeller in full rotation is the first length to freeze.
t01, record, 3h, hold inspector: route note
  Write approval route and signatory; collect weighing and flight limits of the airframe
t02, measure, 6h, after t01, hold second: weighing sheet
  Weigh as received, nose and mains separately; record with and without pilot
t03, measure, 3h, after t01
  Label every line and control at the rear firewall, both ends
t04, strip, 5h, after t02 t03
  Isolate battery, ground ignition, tie the nose both ways, drain, remove propeller first, then engine
  ! With the engine on and no pilot it tips on its tail; as propeller and engine leave, the weight goes to the
    nose wheel: hold it both ways
t05, measure, 3h, after t04
  Weigh all removed parts with their stations
t06, design, 8h, after t02 t05, hold second: balance sheet signed
  Recompute balance for pilot light, pilot heavy, full and empty fuel; fix engine station and nose ballast
t07, design, 4h, after t06
  Check propeller clearance to cowl, ground on rotation, and trailing edge; fix extension length
t08, order, 1h, lead 60d, after t07
  Order mount, extension, propeller, high-flow cooler, fire-rated hoses
t09, inspect, 4h, after t04, hold inspector: report
  Inspect rear spar attachments and firewall core for heat and oil damage
t10, fit, 6h, after t07 t09
  Firewall: stainless skin and blanket, all penetrations, heat barrier for composite structure
  ! Composite loses strength far below the temperature that chars it
t11, fit, 4h, after t08 t10, before t13
  Fit hidden-side items before mating: lower hoses, oil sump fittings, sensor leads, control bulkhead ends
t12, fabricate, 20h, after t08 t09, hold inspector: weld record
  Make or adapt mount in jig with engine dummy; inspect welds
t13, fit, 6h, after t11 t12, gate in, hold second: torque record
  Hoist engine, mate, cross-torque, mark
  ! Keep nose ballast in place during hoist
t14, connect, 8h, after t13, needs an engine
  Ram scoop, plenum, radiator and oil cooler; seal every gap in the duct; fill, bleed every high point
  ! A duct leak is a cooler that does not cool
t15, connect, 6h, after t13, needs fuel
  Fuel with boost pump, return to the same tank as supply, vents checked in flight attitude
  ! Open fuel: craft and can bonded, no ignition source, extinguisher at hand
t16, connect, 6h, after t13, needs an engine
  Oil tank, lines, breather led clear of propeller and exhaust; fill, prime, record grade and volume
t17, connect, 8h, after t13
  Electrics: long battery cable sized for start drop, two ignition feeds
t18, connect, 3h, after t13, hold second: travel check
  Control cables re-routed; full travel and spring-to-safe check
t19, fit, 6h, after t13, needs an engine, hold second: every fastener locked
  Exhaust exits clear of propeller; nuts drilled, safety wired, nothing can come loose
t20, test, 3h, after t16 t17, needs an engine, hold second: reading
  Crank, plugs out, for oil pressure with ignition and fuel off
  ! Propeller still off. No pressure after four cranks of 15 s means stop and find out why
t21, fit, 4h, after t20, hold second: run-out record
  Extension and propeller: torque star order, run-out and track
  ! Ignition grounded and proven before touching the propeller
t22, test, 4h, after t15, needs fuel, hold second: flow figures
  Fuel flow in take-off attitude; unusable fuel
  ! Open fuel: craft and can bonded, no ignition source, extinguisher at hand
t23, test, 5h, after t14 t18 t19 t21 t22, gate start, hold second: run log
  Tied-down run facing wind, short bursts first: a pusher has no propeller blast over its cooler
  ! Limit static running by temperature; nose tied, ground swept, nobody beside or behind the arc; no oil
    pressure in 10 s means stop
t24, measure, 4h, after t23, hold inspector: weighing sheet
  Second weighing; new forward and aft limits cards; ballast placarded
t25, inspect, 4h, after t24, hold inspector: condition entry
  Debris walk, retorque propeller, mount and exhaust after the run, final inspection, close squawks
t26, test, 6h, after t25, hold inspector: test card
  Taxi, nose-lift speed check, first flight card
  ! Only with release and papers signed; minimum crew, no passengers
t27, test, 3h, after t26, hold second: retorque record
  Retorque propeller after first hours (wood again after a season change)
""",
)

TURBINE_CONVERSION = plan(
    "turbine-conversion",
    "Turbine conversion of an aircraft",
    """
! Intake suction and exhaust jet zones marked and roped before any start.
! Overspeed and over-temperature ruin the engine in seconds: have the abort rule spoken aloud before the start.
! Fuel burn rises by half or more: endurance and balance change together.
t01, record, 6h, hold inspector: route note
  Approval route, flight envelope and whether the airframe speed limit becomes the power limit
t02, measure, 6h, after t01, hold second: weighing sheet
  Weigh as received and list every piston-only part to remove
t03, design, 12h, after t02, hold inspector: balance study
  Nose length for a light engine: station, thrust line, ballast, fuel fore-aft travel
t04, design, 6h, after t03, needs fuel
  Fuel mass budget, endurance, reserve; tank vents and pump flow for turbine burn
t05, design, 8h, after t03, needs an engine
  Inlet duct, screen, inertial separator choice; exhaust duct clearance and heat map
t06, order, 1h, lead 120d, after t03
  Order engine, controller, propeller with reverse or beta lockout as fitted
  ! Confirm calendar life, hours and paper trail before paying
t07, order, 1h, lead 60d, after t04 t05
  Order mount, duct metal, fuel pumps, two batteries or start cart
t08, strip, 8h, after t02
  Isolate, drain, support the tail; remove propeller, piston engine, mount, ducts and controls of it; weigh each
  part
  ! Propeller is live until it is off; the tail drops when the engine leaves: block it first; nobody under the
    load
t09, inspect, 4h, after t08, hold inspector: report
  Firewall and structure inspection
t10, fabricate, 30h, after t07 t09, hold inspector: weld record
  Make mount and nose structure; inspect welds
t11, fit, 8h, after t05 t09
  Firewall penetrations and fire detection loops
t12, fit, 6h, after t07 t11, before t14
  Fit before mating: rear drains, lower fuel heater lines, hidden thermocouples, rear mount pads
t13, fit, 6h, after t06, hold inspector: receiving record
  Engine receiving inspection, preservation removed, free turning, chip plug read
t14, fit, 8h, after t10 t12 t13, gate in, hold inspector: torque record
  Hoist and mate engine; torque and lock
  ! Use the lifting points named for this engine only
t15, connect, 10h, after t14, needs fuel
  Fuel: high-capacity pumps, filter with bypass warning, fuel-control rigging
  ! Open fuel: craft and can bonded, no ignition source, extinguisher at hand
t16, connect, 6h, after t14, needs an engine
  Oil: tank, cooler, chip detector, drains collected to one mast; fill, record grade and volume
t17, connect, 12h, after t14
  Electrics: starter-generator cable drop at start current, bus, torque and temperature gauges
t18, connect, 6h, after t14, hold inspector: rigging record
  Power, propeller and condition levers rigged with gates proven
t19, fit, 8h, after t14, needs an engine, hold second: debris inspection
  Inlet duct sealed, screened and free of loose fasteners; exhaust shields
t20, test, 4h, after t16 t17, needs an engine, hold second: reading
  Dry motoring run: oil pressure, leak look
  ! Fuel and igniters off; starter duty limit; intake, exhaust and propeller arc roped and empty
t21, test, 3h, after t15 t20, needs fuel, hold second: reading
  Wet motoring or fuel flow check per engine data; purge
  ! Igniters off and tagged; drain pooled fuel before any light-up
t22, fit, 5h, after t14, hold inspector: torque record
  Propeller on, torque, governor stops
  ! Starter circuit isolated and tagged before touching the propeller
t23, test, 6h, after t18 t19 t20 t21 t22, gate start, hold inspector: start record
  First light-up with abort limits: temperature, time to idle, hung-start rule
  ! Zones roped; abort rule spoken; start power that will not sag; fire bottle manned
t24, test, 6h, after t23, hold inspector: power check
  Power checks against chart for day temperature and height; propeller overspeed governor
t25, measure, 4h, after t24, hold inspector: weighing sheet
  Second weighing, fuel travel table, placards
t26, inspect, 6h, after t25, hold inspector: release
  Final inspection, retorque propeller and mount after the runs, release papers
t27, test, 8h, after t26, hold inspector: cards
  Flight test cards expanding speed and height; no exceedance of airframe speed
t28, test, 3h, after t27, hold inspector: record
  Retorque, oil filter and chip check after first hours
""",
)
