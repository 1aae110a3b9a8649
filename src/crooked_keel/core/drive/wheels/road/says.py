"""What the drive bench says of a driven wheel: headline values, and the gears as drawn."""

from __future__ import annotations

from ....errors import or_none
from ....judging.finding import Value
from ....judging.values import ValueList
from .functions import chain_links, chain_pull, even_links, road_speed, wheel_torque
from .quantities import GearOut, OnRoad, OnRoadOut
from .runs import Runs


def road_values(road: OnRoad) -> list[Value]:
    """Headline values."""
    out = ValueList("drive")
    old = road.old
    before = lambda ask: (lambda: ask(old)) if old else None
    out.add(
        "geared-speed",
        "Road speed at rated speed, top gear",
        "road_speed",
        lambda: road_speed(*road.geared_terms),
        before=before(lambda o: road_speed(*o.geared_terms)),
        working=lambda: road_speed.working(*road.geared_terms),
    )
    out.add(
        "power-speed",
        "Speed that the power allows, level",
        "road_speed",
        lambda: road.power_speed,
        before=before(lambda o: o.power_speed),
        source="road load on the level at ISA sea level, heaviest loading; mechanics",
    )
    out.add(
        "top-speed",
        "Top speed",
        "road_speed",
        lambda: road.top_speed,
        before=before(lambda o: o.top_speed),
        source="the smaller of gearing and power in the best gear",
    )
    out.add(
        "wheel-torque",
        "Torque at the wheel, lowest gear",
        "torque",
        lambda: wheel_torque(*road.wheel_terms),
        before=before(lambda o: wheel_torque(*o.wheel_terms)),
        working=lambda: wheel_torque.working(*road.wheel_terms),
    )
    out.add(
        "wheel-force",
        "Force at the road, lowest gear",
        "force",
        lambda: road.wheel_force,
        before=before(lambda o: o.wheel_force),
        source="torque over rolling radius",
    )
    return out.values


def chain_values(runs: Runs) -> list[Value]:
    """Length, centres and pull of the last chain, or of the chain or belt that pulls hardest."""
    out = ValueList("drive")
    chain = runs.final_chain
    if chain is not None:
        out.add(
            "chain-links",
            "Final chain, links",
            "number",
            lambda: runs.links(chain),
            working=lambda: chain_links.working(*runs.links_terms(chain)),
        )
        out.add(
            "chain-centres",
            "Centres with the next even chain",
            "length",
            lambda: runs.fitted_centres(chain),
            source="machine-design handbook, roller chains (from memory)",
        )
    if runs.all:
        old = runs.old if runs.old is not None and runs.old.all else None
        out.add(
            "chain-pull",
            "Pull of chain or belt, lowest gear, with shock",
            "force",
            lambda: runs.pull(runs.hardest),
            before=(lambda: old.pull(old.hardest)) if old else None,
            working=lambda: chain_pull.working(*runs.pull_terms(runs.hardest)),
        )
    return out.values


def road_table(road: OnRoad, runs: Runs) -> OnRoadOut:
    """For the drawing."""
    gears = []
    for key, name, ratio in or_none(lambda: road.gears) or []:
        total = or_none(lambda r=ratio: road.total(r))
        gears.append(
            GearOut(
                id=key,
                name=name,
                total=total,
                speed_si=or_none(lambda t=total: road_speed(road.train.rated_speed, road.radius, t)) if total else None,
                torque_si=or_none(lambda t=total: wheel_torque(road.torque, t, road.train.efficiency))
                if total
                else None,
            )
        )
    chain = runs.final_chain
    links = or_none(lambda: runs.links(chain)) if chain is not None else None
    reach = chain.stage.reach if chain is not None else None
    return OnRoadOut(
        wheel_radius_si=or_none(lambda: road.radius),
        gears=gears,
        chain_links=links,
        chain_even=even_links(links) if links else None,
        chain_centres_si=or_none(lambda: runs.fitted_centres(chain)) if chain is not None else None,
        chain_moved_si=or_none(lambda: runs.fitted_centres(chain) - runs.centres(chain)) if chain is not None else None,
        chain_reach_si=reach.si if reach is not None else None,
    )
