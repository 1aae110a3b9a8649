"""What the drive bench says of a driven wheel: headline values, and the gears as drawn."""

from __future__ import annotations

from ...errors import or_none
from ...judging.values import ValueList
from .functions import chain_links, chain_pull, even_links, road_speed, wheel_torque
from .quantities import GearOut, OnRoad, OnRoadOut


def values(road: OnRoad, out: ValueList) -> None:
    """Headline values."""
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
    if road.has_chain:
        out.add(
            "chain-links",
            "Final chain, links",
            "number",
            lambda: road.links,
            working=lambda: chain_links.working(*road.links_terms),
        )
        out.add(
            "chain-centres",
            "Centres with the next even chain",
            "length",
            lambda: road.fitted_centres,
            source="machine-design handbook, roller chains (from memory)",
        )
        out.add(
            "chain-pull",
            "Chain pull, lowest gear, with shock",
            "force",
            lambda: chain_pull(*road.pull_terms),
            before=before(lambda o: chain_pull(*o.pull_terms)),
            working=lambda: chain_pull.working(*road.pull_terms),
        )


def tables(road: OnRoad) -> OnRoadOut:
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
    links = or_none(lambda: road.links) if road.has_chain else None
    return OnRoadOut(
        wheel_radius_si=or_none(lambda: road.radius),
        gears=gears,
        chain_links=links,
        chain_even=even_links(links) if links else None,
        chain_centres_si=or_none(lambda: road.fitted_centres) if road.has_chain else None,
    )
