"""What settles a finding that no edit of the figures is known to clear: something to measure, to adjust at the
craft, to buy, or to decide. By rule; said where no way out is offered."""

from __future__ import annotations

from typing import Literal, NamedTuple

How = Literal["measure", "adjust", "buy", "decide"]


_SAID: dict[How, str] = {
    "measure": "To measure",
    "adjust": "To adjust at the craft",
    "buy": "To buy or make",
    "decide": "To decide",
}


class Settled(NamedTuple):
    """How it is settled, and the sentence that says so."""

    how: How
    sentence: str

    @property
    def said(self) -> str:
        """Both, as one sentence."""
        return f"{_SAID[self.how]}: {self.sentence[0].lower()}{self.sentence[1:]}"


def _s(how: How, sentence: str) -> Settled:
    return Settled(how, sentence)


SETTLES: dict[str, Settled] = {
    # craft
    "craft.freeboards": _s("measure", "Read all freeboards again within a minute, and two more amidships."),
    "craft.form-estimate": _s("measure", "Enter a designer's table or her sections; failing them time ten rolls."),
    "craft.freeboards-read": _s("measure", "Read them afloat, lines slack, nobody aboard."),
    "craft.inclining": _s("measure", "Incline her again as its sentence says: both sides, 1 to 4°, in still water."),
    "craft.report": _s("measure", "Weigh the craft as it stands."),
    "craft.untried": _s("measure", "The figures with the widest ±, until no more than twelve are left."),
    "craft.unusual": _s("measure", "Look at the figure again, with its unit; if it was meant, nothing is to be done."),
    "craft.empty-scale": _s("measure", "Put the wheel on its scale and read again."),
    "craft.repeats": _s("measure", "Roll it off and on again, brakes off, and read every scale a third time."),
    "craft.level": _s("adjust", "Level it on its scales to half a degree and weigh again."),
    "craft.tilt": _s("measure", "Lift the end higher, to 8° or more, suspension blocked, and read again."),
    "craft.cross": _s("adjust", "Turn the spring perches of one diagonal until it carries half."),
    # choose
    "choose.money": _s("decide", "Raise the most that you want to pay, drop a line, or look at another candidate."),
    "choose.complete": _s("measure", "Ask prices of mount, cooling, exhaust, gearing, wiring and papers, a line "
    "for each."),
    "choose.wait": _s("decide", "Order it first, find another supplier, or plan what it holds up round it."),
    "choose.curve": _s("measure", "Read the sheet again: torque, power and speed of one line."),
    "choose.lasting": _s("measure", "Ask its maker which power lasts, and enter that as the rated one."),
    "choose.power-there": _s("buy", "A stronger unit, or one that breathes better up there; or ask for less power."),
    "choose.heat": _s("buy", "A cooler, or inlets and baffles, for the new heat; prove it on the first hot run."),
    "choose.left-out": _s("measure", "Weigh what hangs on it and enter it in the ledger, with its place."),
    "choose.port": _s("buy", "What its sentence names, measured on both sides before it is ordered."),
    "choose.petrol-below": _s("buy", "Blower, ducts, protected electrics and a vapour alarm, seen by a surveyor."),
    # balance
    "balance.trim": _s("adjust", "Move what is aboard anyway along her; no part can be moved far enough by itself."),
    "balance.displacement-change": _s("decide", "A lighter unit or less with it; or her hydrostatics worked at "
    "the new draft."),
    "balance.trim-at-rest": _s("adjust", "Shift stores, batteries or tanks along her; a designer says what she "
    "was drawn for."),
    "balance.dock-scale": _s("measure", "Find what was left off the list, and read both sets of freeboards in "
    "one water."),
    "balance.bottom-loading": _s("decide", "Take weight out of her, or accept that she will not plane."),
    "balance.lcg-planing": _s("adjust", "Move weight along her until the LCG is in the band."),
    "balance.freeboard": _s("adjust", "Take weight out of that end of her; read the freeboard again afloat."),
    "balance.cg-forward": _s("adjust", "Move something aft, or take weight out ahead of the CG."),
    "balance.cg-aft": _s("adjust", "Move something forward, or take weight out behind the CG."),
    "balance.worst-loading": _s("decide", "Limit what a place may carry, as its sentence says, and placard it."),
    "balance.seat-slide": _s("adjust", "Stop the slide of the seat, or move the CG of the empty craft."),
    "balance.mass-max": _s("decide", "Carry less in that loading, or a lighter unit."),
    "balance.envelope-range": _s("decide", "Keep the loading inside the masses that the designer gave limits for."),
    "balance.cg-lateral": _s("adjust", "Move a part across, or placard which seat is filled first."),
    "balance.rests-on-guess": _s("measure", "Measure the figure that its sentence names."),
    "balance.mass-landing": _s("decide", "Carry less, or burn down before landing."),
    "balance.mass-zero-fuel": _s("decide", "Carry less in the cabin."),
    "balance.one-side-fuel": _s("adjust", "A cross-feed, or a limit on what may differ between the sides."),
    "balance.burn-order": _s("adjust", "Burn the tanks in another order, as far as the pipes allow."),
    "balance.wide-tolerance": _s("measure", "Weigh it."),
    "balance.double-count": _s("decide", "If it is one thing, take one of the two out; if two, name them apart."),
    "balance.condition": _s("measure", "Weigh the unit ready to run, or list what its mass leaves out."),
    "balance.unit-on-scales": _s("measure", "Weigh it again, both edges level."),
    "balance.unit-hung": _s("measure", "Hang it again from two points further apart."),
    "balance.surprise": _s("measure", "Measure it a third time: two that agree stand."),
    "balance.ballast-security": _s("adjust", "Bolt it for the loads of a crash, mark it, log it; or move "
    "something aboard instead."),
    "balance.pick-tilt": _s("adjust", "Move the pick over the CG, or lift by two."),
    "balance.sling-angle": _s("adjust", "Longer legs, or a spreader."),
    "balance.hoist": _s("buy", "A hoist rated for it at that boom, or a shorter boom."),
    "balance.crane": _s("adjust", "Shorten the boom or weigh down its rear; a hand on it is no weight."),
    "balance.place-cap": _s("decide", "Carry less there."),
    "balance.useful-load": _s("decide", "A lighter unit, less fuel, or fewer people; the plate is not to be "
    "argued with."),
    "balance.mass-target": _s("decide", "Find the mass elsewhere, or give up the wish."),
    "balance.story": _s("measure", "Ask for that craft's weighing sheets, before and after."),
    "balance.heel": _s("adjust", "Move a part to the other side; no part can be moved far enough by itself."),
    "balance.gm": _s("measure", "Incline her; then weight low, or out from high up."),
    "balance.free-surface": _s("adjust", "Shut the pipe across, press tanks full, or divide them lengthwise."),
    "balance.one-side-tank": _s("adjust", "Draw from both sides, or fit a transfer pump."),
    "balance.offset-load": _s("decide", "Fewer people, or weight low; deck edge and openings are a surveyor's "
    "to judge."),
    "balance.supports": _s("adjust", "A stand or weight on the light wheel whenever nobody holds it."),
    "balance.tipping": _s("adjust", "A stand under the side to which it leans, set before the step that its "
    "sentence names."),
    "balance.engine-out": _s("adjust", "The stand or weight that its sentence names, set before the last bolt "
    "comes out."),
    "balance.pack-space": _s("buy", "A smaller pack, or a larger space."),
    "balance.packs-apart": _s("adjust", "Move one of the two; try it with cardboard."),
    "balance.wheelbase": _s("adjust", "Move the unit or packs between the axles."),
    "balance.axle-split": _s("adjust", "Move the unit or packs along the frame."),
    "balance.wheelie": _s("adjust", "Move mass forward and down, or limit the torque of the lowest gear."),
    "balance.rear-lifts": _s("adjust", "Move mass aft and down, or soften the front brake."),
    "balance.hill": _s("adjust", "Move mass forward and down; or do not take it up such a hill."),
    "balance.trail": _s("adjust", "Set front and rear height back until the trail is as it was."),
    "balance.anti-squat": _s("adjust", "Another sprocket, or the pivot or output at another height."),
    "balance.lean": _s("adjust", "Move a part across; none can be moved far enough by itself."),
    "balance.axle-load": _s("buy", "Tyres of a higher load index where the plate allows; else less on that axle."),
    "balance.axle-shift": _s("adjust", "Brake balance and springs set for the new split."),
    "balance.rollover": _s("adjust", "Mass lower, or to the middle; a wider track where the law allows."),
    "balance.wing-bending": _s("decide", "The designer of the wing must say yes; or less outside the wing."),
    "balance.zero-wing-fuel": _s("decide", "The designer must give a limit, or the tanks go elsewhere."),
    "balance.tip-fuel": _s("decide", "A qualified person must look at flutter and loads before it flies; or "
    "move it inboard."),
    # drive
    "drive.flat-tyre": _s("buy", "A smaller propeller with more blades or pitch; or taller gear, as approved."),
    "drive.tip-mach": _s("buy", "A smaller propeller with more blades, or more reduction."),
    "drive.ground-clearance": _s("buy", "A smaller propeller with more blades; or taller gear."),
    "drive.thrust-possible": _s("measure", "Pull the craft against a scale at full power, chocked, or ask the maker."),
    "drive.blades": _s("measure", "Count the blades."),
    "drive.pack": _s("buy", "Packs or a controller that give more current; or ask less of the motor."),
    "drive.voltage": _s("buy", "A controller of a higher limit, or fewer cells in a row; side by side packs of one "
    "voltage."),
    "drive.continuous": _s("buy", "A motor whose lasting power covers it; or cruise more slowly."),
    "drive.phase-current": _s("measure", "Read the controller's sheet again: which current is which."),
    "drive.pair": _s("buy", "A propeller of the other hand, with a gear that turns it so all day."),
    "drive.pitch": _s("buy", "The propeller nearest to the pitch wanted; the sea trial decides."),
    "drive.speed": _s("decide", "Want less speed, or more power; a clean hull first."),
    "drive.hull-clearance": _s("buy", "A smaller propeller with more blades or area."),
    "drive.absorbs": _s("measure", "Read full throttle afloat, loaded, clean; then another pitch, an inch at a time."),
    "drive.shaft-diameter": _s("buy", "A thicker shaft, or one of a stronger metal, by who makes them."),
    "drive.chain-closes": _s("buy", "A sprocket of a tooth more or fewer, or an adjuster that reaches further; centres "
    "further apart where the sprockets overlap."),
    "drive.chain-speed": _s("adjust", "A guard, and oil that stays on; ask its maker whether it may run so fast."),
    "drive.variator": _s("adjust", "Other rollers and clutch springs, by its maker; or another variator."),
    "drive.pulls-away": _s("adjust", "Open the throttle by half in the lowest gear, or a taller gear."),
    "drive.cross-shaft": _s("buy", "A thicker shaft, or one of a stronger metal, in one piece, by who makes them."),
    "drive.splice": _s("buy", "A shaft in one piece, by who makes them."),
    "drive.both-torque": _s("adjust", "Hold the motor back by its controller, or a stronger part behind both."),
    "drive.back-voltage": _s("buy", "A motor wound for more speed of one volt, or a limiter that cuts in sooner."),
    "drive.coupled": _s("decide", "A clutch between the two, or live with one stopping the other."),
    "drive.claimed-efficiency": _s("measure", "Ask at which speed and power it was measured, and by whom."),
    "drive.whirl": _s("buy", "A bearing between the two, or a thicker shaft."),
    "drive.shaft-key": _s("buy", "A longer or a second key, or a larger taper, by who makes shafts."),
    "drive.coupling-bolts": _s("buy", "Fitted bolts of a higher grade, or a larger coupling."),
    "drive.lasting-torque": _s("buy", "Packs of more volts or less resistance, or a motor of more speed of one volt."),
    "drive.kept-box": _s("decide", "Hold the unit back, another ratio before the box, or another box."),
    "drive.hub-spokes": _s("buy", "A wheel laced crossed with thicker spokes, or a cast one."),
    "drive.wheel-sense": _s("buy", "An idler or one gear more, a crossed belt, or a unit that turns the other way."),
    "drive.shaft-length": _s("adjust", "Move the unit on its feet, or have the shaft cut or made to length."),
    "drive.overhang": _s("buy", "A bearing further aft, or a shorter shaft; it wants its strut with it."),
    "drive.rounds": _s("decide", "Push for less of a round, charge for more, or a larger pack."),
    "drive.hub-axle": _s("buy", "A longer or stronger torque arm, held at a part that bears it."),
    "drive.puts-back": _s("adjust", "Set the controller to put back less."),
    "drive.duty": _s("buy", "A motor of more lasting power, or less mass, or a calmer use."),
    "drive.downhill-voltage": _s("buy", "A motor wound for more speed of one volt, or a lower gear."),
    "drive.reaches": _s("decide", "A larger or slower propeller, less weight, or a speed that is content with less."),
    "drive.blade-area": _s("buy", "The same propeller with more blade, or another blade more."),
    "drive.cavitation": _s("buy", "More blade area, a larger propeller behind more reduction, or a blade more."),
    "drive.top-gear": _s("buy", "A sprocket or final ratio of the next size."),
    "drive.grip": _s("adjust", "Limit the torque of the lowest gear, or more load on the driven axle."),
    "drive.hill": _s("buy", "A lower gear or a larger rear sprocket; where grip is the limit, load on the "
    "driven axle."),
    "drive.chain-strength": _s("buy", "A stronger chain or a larger driving sprocket."),
    "drive.small-sprocket": _s("buy", "A driving sprocket of more teeth, the other in proportion; a longer "
    "centre distance."),
    "drive.reverse": _s("decide", "Ask what the local rules want of a vehicle of this class."),
    "drive.rotation": _s("buy", "A propeller of the other hand, or a stage that flips the turning."),
    "drive.torsion-working": _s("buy", "Another coupling, by its stiffness, or another propeller; a speed that is "
    "not dwelt at is marked on the tachometer."),
    "drive.torsion-idle": _s("adjust", "Idle higher, and go through the rest briskly; or a softer coupling."),
    "drive.static-speed": _s("adjust", "Turn the blades, or another pitch; then read it standing, chocked and held."),
    "drive.swing": _s("measure", "Swing it again, indoors, and look whether its mass has the hub in it."),
    "drive.gear-oil": _s("buy", "Fins, a cooler or more flow over the case; then run the trial again."),
    "drive.flange-bending": _s("decide", "A lighter or smaller propeller, a shorter spacer, or its maker's word."),
    "drive.spacer": _s("buy", "A shorter spacer, or one of a larger tube, by who makes it for that engine."),
    "drive.cruise": _s("decide", "Cruise slower or lighter; or more pitch, where it still climbs with it."),
    "drive.climb-there": _s("decide", "Less weight, a lower way, or a unit that keeps its power at height."),
    "drive.cruise-time": _s("decide", "A slower cruise, more tank, or shorter legs; never less reserve."),
    "drive.overspeed": _s("adjust", "Coarser blades, a lower speed never to be passed, or a governor that holds it."),
    "drive.climb": _s("decide", "Less weight, a larger propeller or more power; or a climb that is content with less."),
    "drive.one-way": _s("buy", "A clutch that holds twice the torque and runs free at its speed; a starter elsewhere."),
    "drive.hunting-tooth": _s("buy", "One tooth more or less on either wheel."),
    # mount
    "mount.cases": _s("measure", "This is a fault of the sums: report it, and do not build on them."),
    "mount.face": _s("adjust", "A third point at the tail, its strength entered; or a lighter, shorter motor."),
    "mount.held": _s("adjust", "Set a point further off the line of the others."),
    "mount.reserve": _s("buy", "A stronger mount or fitting at that point, or a point more."),
    "mount.against-old": _s("decide", "Have the structure behind the points judged for the new load by a "
    "licensed person."),
    "mount.uplift": _s("buy", "Captive mounts, bolted through."),
    "mount.swing": _s("buy", "A stronger pivot or shock, proven for the load; a shock that points past the pivot."),
    "mount.swing-against-old": _s("decide", "Have the frame behind the pivot judged for the new load."),
    # align
    "align.sprockets": _s("adjust", "Wheel to the frame's centreline first, then shim the unit until the "
    "straightedge lies flat."),
    "align.spacers": _s("buy", "A narrower hub, or the rim laced over."),
    "align.adapter": _s("adjust", "Move the box as its sentence says, half the total reading, and swing the "
    "dial again."),
    "align.joints": _s("adjust", "Set box or axle so that the shaft runs straighter, not below half a degree."),
    "align.joint-pair": _s("adjust", "Forks in line and both joints at one angle."),
    "align.gap": _s("adjust", "Turn the nuts as the flats say, move the feet sideways, and read again."),
    "align.gap-closure": _s("measure", "Read the four gaps again."),
    "align.offset": _s("adjust", "The moves of the feet take it out; where the steps do not close, read them again."),
    "align.flats": _s("adjust", "Packers or shims for what the nuts do not reach; sideways by moving the feet."),
    "align.soft-foot": _s("adjust", "The shims that its sentence names, then feel every foot again."),
    "align.afloat": _s("measure", "Read again afloat: a day in the water, loaded, coupling apart."),
    "align.unit-angle": _s("buy", "A gear with another down-angle, or a unit allowed to lie steeper."),
    "align.packers": _s("adjust", "Raise the unit with its shaft; a stringer is not cut."),
    "align.rear-clearance": _s("buy", "A shorter mount is not to be had: a shorter unit or accessory."),
    "align.thrust-side": _s("adjust", "Turn the thrust line to the other side, and prove it in small steps."),
    # systems
    "systems.cooling-settles": _s("buy", "A larger core; or more air through it, by inlet, duct and exit."),
    "systems.cooling-boils": _s("buy", "A larger core, or a cap of more pressure where every hose stands it."),
    "systems.cooling-donor": _s("buy", "A core that served more power, with the fan that it had."),
    "systems.cooling-exit": _s("adjust", "Open the exit, or carry it to where the craft sucks; a thinner core."),
    "systems.cooling-sealed": _s("adjust", "Seal the duct to the core all round: foam, rubber lip, no gap."),
    "systems.cooling-traps": _s("adjust", "A bleed at its top, or the hose led so that it rises to the header."),
    "systems.cooling-header": _s("buy", "A larger header, or one that is filled less."),
    "systems.cooling-bore": _s("buy", "Hose of the unit's own bore, without the step."),
    "systems.cooling-waterless": _s("decide", "Go back to a mix with water; or drain, dry and fill again until the "
    "refractometer says less."),
    "systems.water-outlet": _s("buy", "A pump that moves more, or a new impeller; measure it into a bucket first."),
    "systems.water-bore": _s("buy", "Hose, cock and strainer of a larger bore."),
    "systems.cooling-keel": _s("buy", "More pipe outside; a second one beside it."),
    "systems.oil-fill": _s("adjust", "Fill or drain to the running mark."),
    "systems.oil-pickup": _s("adjust", "Move the pickup to the end that stays deep, or baffle round it; never more oil "
    "than its most."),
    "systems.oil-aside": _s("adjust", "Baffles that keep the oil round a pickup in the middle, a pickup that swings, "
    "or a dry sump; never more oil than the most."),
    "systems.oil-tank": _s("buy", "A larger tank."),
    "systems.oil-dwell": _s("buy", "A larger tank, with a swirl plate; its return high, its draw low."),
    "systems.oil-scavenge": _s("buy", "A scavenge pump that moves more, or a second stage."),
    "systems.oil-gear": _s("buy", "A cooler for the gear's oil, and a thermometer in it."),
    "systems.oil-bore": _s("buy", "Hose of a larger bore, short on the suction side."),
    "systems.exhaust-back": _s("measure", "Back pressure at full power, a gauge at the outlet; then larger pipe or "
    "fewer bends."),
    "systems.exhaust-shine": _s("adjust", "A bright sheet between, air behind it; or the hose led elsewhere."),
    "systems.exhaust-growth": _s("adjust", "A slip joint or a bellows in it, or hang one end free."),
    "systems.exhaust-injection": _s("adjust", "A vented loop, or a higher riser."),
    "systems.exhaust-lock": _s("buy", "A lock that holds more, set lower; or a shorter hose up from it."),
    "systems.exhaust-hose": _s("buy", "Hose marked for wet exhaust, to SAE J2006 or ISO 13363 (from memory)."),
    "systems.exhaust-mixed": _s("adjust", "More water into the elbow: clean strainer and elbow, a new impeller."),
    "systems.exhaust-fall": _s("adjust", "Lead the hose so that it falls all the way."),
    "systems.induction-bore": _s("buy", "A wider intake, with a bell at its mouth."),
    "systems.induction-filter": _s("buy", "A larger filter, or two side by side."),
    "systems.induction-tilt": _s("adjust", "Turn the carburettor on its stub so that its bowl stands level; or another "
    "kind of it."),
    "systems.induction-charge": _s("decide", "Fit a charge cooler, or keep the boost where the maker allows none."),
    "systems.induction-hot": _s("buy", "A larger charge cooler, first in its air; or less boost, and less power with "
    "it."),
    "systems.fuel-lasts": _s("decide", "Plan a shorter run, or more tank: balance judges where."),
    "systems.fuel-filters": _s("buy", "Filters in order, coarse first, each passing what flows with the return."),
    "systems.fuel-return": _s("adjust", "Return and supply on one lever, to one tank."),
    "systems.fuel-flow": _s("measure", "Look for what chokes it: vent, screen, cock, a hump; measure again."),
    "systems.fuel-suction": _s("adjust", "A wider line, or a pump at the tank."),
    "systems.fuel-head": _s("buy", "A pump that gives more at that flow; or a wider line, or the pump at the tank."),
    "systems.fuel-vent": _s("buy", "A wider vent."),
    "systems.fuel-primed": _s("buy", "A bulb or a small electric pump in the line."),
    "systems.fuel-across": _s("decide", "A cross-feed or a transfer pump; or plan as if one tank were not there."),
    "systems.fuel-tank": _s("measure", "Fill it from a measured can, to the last litre, and drain it again."),
    "systems.current-source": _s("decide", "A larger generator, or less at once: what is switched off is written "
    "down."),
    "systems.current-wire": _s("buy", "A larger wire, a shorter way, or two of them."),
    "systems.current-fuse": _s("buy", "A fuse between what flows and what the wire carries, at the source."),
    "systems.current-bank": _s("buy", "A larger battery, or shorter and thicker cables to it."),
    "systems.charge-voltage": _s("adjust", "Set the regulator by its battery's maker, and read it at the battery."),
    "systems.charge-time": _s("buy", "A larger generator, a charger ashore, or less drawn between two runs."),
    "systems.charge-lithium": _s("buy", "A regulator that feels the generator's heat, or a converter between."),
    "systems.charge-parted": _s("buy", "A relay that parts them, tried with the start battery pulled down."),
    "systems.current-ignition": _s("buy", "A battery for the ignition alone, with a lamp that says when it feeds."),
    "systems.current-earth": _s("buy", "A strap as large as the starter's cable, bare metal at both ends."),
    "systems.current-senders": _s("buy", "The gauges that belong to the new senders, or a converter."),
    "systems.current-trigger": _s("adjust", "Set gap and run-out; true it, and prove the angle with a lamp."),
    "systems.current-single": _s("adjust", "Feed one of the two by a way of its own: switch, fuse and wire."),
    "systems.voltage-isolation": _s("measure", "Find the leak: open the circuit part by part, from the service plug "
    "on, by a person licensed for it."),
    "systems.voltage-precharge": _s("buy", "A resistor that stands the pulse, and a cut-off after two tries."),
    "systems.voltage-discharge": _s("buy", "A smaller bleeder resistor, or an active discharge."),
    "systems.voltage-fuse": _s("buy", "A fuse for the pack's direct voltage and its short circuit; one more in its "
    "middle."),
    "systems.voltage-interlock": _s("buy", "A loop of thin wire through every cover and plug, that holds the "
    "contactors."),
    "systems.voltage-moving": _s("decide", "Choose what a fault does in flight, on the ground, and write it down."),
    "systems.reach": _s("adjust", "A hatch, a longer neck, a remote filter; tried with cardboard before the unit is "
    "in."),
    "systems.joint": _s("decide", "Adapt it, replace it, or make it; ask its price."),
    # build
    "build.plan": _s("decide", "Say what each task waits for and how many hours it takes."),
    "build.sealed-in": _s("decide", "Put what would be shut in before what shuts it in."),
    "build.done-by": _s("decide", "Begin earlier, give it more hours a week, order first, or move the day."),
    "build.order-by": _s("buy", "Order it, and write down that the task was begun; or find another supplier."),
    "build.purchases": _s("decide", "Put an order of that name into the plan."),
    "build.gate": _s("decide", "Stop; do and have seen what stands open before it, then look again at what was done."),
    "build.hold": _s("measure", "Somebody else, in the role that is named, looks at it and writes down what shows it."),
    "build.torque": _s("adjust", "Tighten it anew with a tried wrench, see the mark, and write it down again."),
    "build.torque-target": _s("measure", "Read its maker's figure again, with what is on the thread."),
    "build.retorque": _s("adjust", "Tighten it again, and write down when it is due next."),
    "build.fasteners": _s("measure", "Measure what sits in each hole before it is tightened."),
    "build.remate": _s("adjust", "Mate it and try it, cap it, or write down that it is left off."),
    "build.labels": _s("adjust", "Tag both ends before it is parted."),
    "build.fluid": _s("adjust", "Fill it to its mark, level and cold, and write down how it was read."),
    "build.squawk": _s("adjust", "Put it right, and close it with what shows it."),
    "build.weighed-parts": _s("measure", "Enter each in the ledger as removed, with its place; weigh what was not."),
    "build.spend": _s("decide", "Drop a line, or plan for more."),
    # prove
    "prove.cards": _s("adjust", "Run the card that its sentence names, when what keeps it shut is done."),
    "prove.limit": _s("adjust", "Find out why before it runs again; its maker's limit may be another."),
    "prove.hot-day": _s("buy", "More cooling: face, inlet, exit, or flow; prove it on a run with the air read."),
    "prove.trend": _s("measure", "Run it on until it settles, with somebody at the stop."),
    "prove.ignition": _s("adjust", "The switch and its grounding wire, plugs and leads; read both sides again."),
    "prove.gas": _s("adjust", "Find the leak, seal it, air the cabin, and read again under way."),
    "prove.cranks": _s("adjust", "Prime it, look for the air lock, try another gauge."),
    "prove.sensor": _s("measure", "Swap the sensor, tug its wires, and log again."),
    "prove.simulated": _s("measure", "Read it on a real run."),
    "prove.second-weighing": _s("measure", "Weigh again, then look for what was not entered."),
    "prove.measured-limits": _s("decide", "Move something, or ballast, and weigh again; it does not fly until then."),
    "prove.promised": _s("measure", "Read it again both ways; then take the measured figure where it belongs."),
    "prove.rated-speed": _s("buy", "Another pitch or ratio, once hull, brakes and throttle are proved."),
    "prove.diagnosis": _s("measure", "The next check that its sentence names."),
}  # fmt: skip
