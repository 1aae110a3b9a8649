"""Chains and belts of a train, wherever they stand in it, and what the one that pulls hardest does to the unit."""

from __future__ import annotations

import math
from typing import NamedTuple

import numpy as np

from ....document import Stage
from ....errors import CannotSay, Gap, ask_all, fields, or_none
from ....figure.trace import above_zero, need
from ....judging.subjects import Subject
from ....physics.geometry import Vector
from ....resolved.craft import Resolved
from ....resolved.handed import FinalDrive
from ....resolved.installation import ResolvedInstallation
from ....resolved.ratios import OUTSIDE, along_the_train, stage_ratio
from ....resolved.wheels import Wheels
from ....topic.lazy import lazy
from ....topic.reading import Topic
from ....topic.supply import Replaced
from ...train.quantities import Train
from .functions import (
    belt_shaft_load,
    chain_centres,
    chain_links,
    chain_pull,
    chain_wrap,
    even_links,
    least_centres,
    sprocket_pitch_diameter,
    toothed_pitch_diameter,
)
from .quantities import OnRoad


class ChainRun(NamedTuple):
    """A chain or belt: its key, its stage, its pointer, and whether it drives the wheel."""

    key: str
    stage: Stage
    pointer: str
    last: bool


class Runs(Topic):
    """The chains and belts of one installation. old: those of the unit that it replaces."""

    def __init__(
        self,
        resolved: Resolved,
        placed: ResolvedInstallation,
        train: Train,
        road: OnRoad,
        wheels: Wheels | None,
        old: Replaced[Runs],
    ) -> None:
        self.resolved = resolved
        self.placed = placed
        self.train = train
        self.road = road
        self.wheels = wheels
        self.old = old
        self.school = resolved.project.assumptions.tolerance_school or "two standard deviations"

    @property
    def all(self) -> list[ChainRun]:
        """Every chain and belt, from the unit on."""
        stages = along_the_train(self.train.drive)
        outside = [(k, s) for k, s in stages if s.type in OUTSIDE]
        return [ChainRun(k, s, self.train.p(f"drive/stages/{k}"), k == stages[-1][0]) for k, s in outside]

    @property
    def chains(self) -> list[ChainRun]:
        """Every chain, from the unit on."""
        return [r for r in self.all if r.stage.type == "chain"]

    @property
    def final_chain(self) -> ChainRun | None:
        """The last chain of the train; None where there is none."""
        return self.chains[-1] if self.chains else None

    def subjects(self, runs: list[ChainRun]) -> list[Subject[ChainRun]]:
        """The same, as subjects of a rule; one alone is not named."""
        return [Subject(r.key if len(runs) > 1 else "", r.stage.name, r) for r in runs]

    def teeth(self, run: ChainRun) -> tuple[float, float, float]:
        """Pitch, driving and driven teeth."""
        stage, base, name = run.stage, run.pointer, run.stage.name
        asks = (
            lambda: above_zero(stage.pitch, f"{base}/pitch", f"pitch of the {name}"),
            lambda: need(stage.driver_teeth, f"{base}/driver_teeth", f"driving teeth of the {name}").si,
            lambda: need(stage.driven_teeth, f"{base}/driven_teeth", f"driven teeth of the {name}").si,
        )
        return ask_all(*asks)

    def diameters(self, run: ChainRun) -> tuple[float, float]:
        """Pitch diameters of the driving and of the driven wheel, m."""
        stage = run.stage
        if stage.type != "chain" and stage.driver_teeth is None:
            pulley = lambda: above_zero(
                stage.pulley, f"{run.pointer}/pulley", f"pitch diameter of the driving pulley of the {stage.name}"
            )
            driver, ratio = ask_all(pulley, lambda: stage_ratio(stage, run.pointer))
            return driver, driver * ratio
        pitch, a, b = self.teeth(run)
        of = sprocket_pitch_diameter if stage.type == "chain" else toothed_pitch_diameter
        return of(pitch, a), of(pitch, b)

    def centres(self, run: ChainRun) -> float:
        """Distance between the centres, m: as measured, or of the last one from the output to the rear axle."""
        if run.stage.centres is not None:
            return run.stage.centres.si
        wheels, placed = self.wheels, self.placed
        if wheels is None or not run.last:
            raise CannotSay(Gap(f"{run.pointer}/centres", f"centre distance of the {run.stage.name}"))
        ask_all(lambda: placed.flange, lambda: wheels.rear_m, lambda: wheels.rear_axle_z_m)
        x, _, z = (t.value for t in placed.flange)
        return math.hypot(wheels.rear_m + self.resolved.stretch_m - x, wheels.rear_axle_z_m - z)

    def speed(self, run: ChainRun, wheel_rad_s: float) -> float:
        """How fast it runs when the wheel turns so fast, m/s. Raises CannotSay."""
        stages = along_the_train(self.train.drive)
        behind = stages[[k for k, _ in stages].index(run.key) + 1 :]
        faster = math.prod(stage_ratio(s, self.train.p(f"drive/stages/{k}")) for k, s in behind)
        pitch, _, driven = self.teeth(run)
        return wheel_rad_s * faster * pitch * driven / (2 * math.pi)

    def wrap(self, run: ChainRun) -> float:
        """How far a chain goes round its smaller sprocket, rad. Raises CannotSay, InputError where they overlap."""
        centres, pitch, a, b = self.links_terms(run)
        with fields(centres=f"{run.pointer}/centres"):
            return chain_wrap(sprocket_pitch_diameter(pitch, a), sprocket_pitch_diameter(pitch, b), centres)

    def overlap(self, run: ChainRun) -> tuple[float, float] | None:
        """Centres of two sprockets that stand in one another, and what they ask for at the least, m; None where they
        clear each other, or where it cannot be said."""
        known = or_none(lambda: self.links_terms(run))
        if known is None:
            return None
        centres, pitch, a, b = known
        least = least_centres(pitch, a, b)
        return (centres, least) if centres < least else None

    def links_terms(self, run: ChainRun) -> tuple[float, float, float, float]:
        """Centre distance, pitch and teeth of a chain."""
        centres, (pitch, a, b) = ask_all(lambda: self.centres(run), lambda: self.teeth(run))
        return centres, pitch, a, b

    def links(self, run: ChainRun) -> float:
        """Length of a chain in links, not rounded."""
        with fields(centres=f"{run.pointer}/centres"):
            return chain_links(*self.links_terms(run))

    def fitted_centres(self, run: ChainRun) -> float:
        """Centre distance with the next even number of links, m."""
        pitch, a, b = self.teeth(run)
        field = f"{run.pointer}/centres"
        with fields(links=field, centres=field):
            return chain_centres(even_links(self.links(run)), pitch, a, b)

    def pull_terms(self, run: ChainRun) -> tuple[float, float]:
        """Torque at its driving wheel for the force at the road that the mounts are judged for, and that wheel's pitch
        diameter: every stage from it to the wheel takes its part."""
        stages = along_the_train(self.train.drive)
        after = stages[[k for k, _ in stages].index(run.key) :]
        ratios = [lambda k=k, s=s: stage_ratio(s, self.train.p(f"drive/stages/{k}")) for k, s in after]
        road = self.road
        ask_all(lambda: road.limit_force, lambda: road.radius, lambda: self.diameters(run), *ratios)
        return road.limit_force * road.radius / math.prod(r() for r in ratios), self.diameters(run)[0]

    def pull(self, run: ChainRun) -> float:
        """What a chain or belt pulls its shafts together with, N: of a belt both its runs."""
        pull = chain_pull(*self.pull_terms(run))
        return pull if run.stage.type == "chain" else belt_shaft_load(pull)

    def factor(self, run: ChainRun) -> float:
        """Strength over the pull in the lowest gear with shock."""
        what = f"tensile strength of the {run.stage.name}"
        strength = lambda: above_zero(run.stage.strength, f"{run.pointer}/strength", what)
        ask_all(strength, lambda: self.pull_terms(run))
        return strength() / self.pull(run)

    @lazy
    def hardest(self) -> ChainRun:
        """The chain or belt that pulls hardest; which of several hangs on the unit is not known here."""
        ask_all(*[lambda r=r: self.pull_terms(r) for r in self.all])
        return max(self.all, key=self.pull)

    @lazy
    def final(self) -> FinalDrive:
        """What the final drive does to the unit in its lowest gear: the pull of the chain or belt that pulls hardest
        along the line to the rear axle, or the axle's torque."""
        wheels, road = self.wheels, self.road
        if wheels is None or not self.all:
            ask_all(lambda: road.limit_force, lambda: road.radius)
            moment = np.array([0.0, road.limit_force * road.radius, 0.0])
            return FinalDrive(np.zeros(3), np.zeros(3), moment, road.limit_force)
        ask_all(
            lambda: self.hardest,
            lambda: self.placed.flange,
            lambda: wheels.rear_m,
            lambda: wheels.rear_axle_z_m,
        )
        at: Vector = np.array([t.value for t in self.placed.flange])
        line = np.array([wheels.rear_m + self.resolved.stretch_m - at[0], 0.0, wheels.rear_axle_z_m - at[2]])
        line /= np.linalg.norm(line)
        up = np.array([-line[2], 0.0, line[0]])
        pull, half = self.pull(self.hardest) * line, up * self.pull_terms(self.hardest)[1] / 2
        return FinalDrive(pull, at + half, np.zeros(3), road.limit_force, at - half)
