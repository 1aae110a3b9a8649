"""A motor on the face of a gearbox."""

from __future__ import annotations

from ...document import Face
from ...errors import ask_all
from ...figure.trace import need
from ...judging.values import ValueList
from ...resolved.installation import ResolvedInstallation
from ...topic.lazy import lazy
from ...topic.reading import Topic
from ...topic.supply import Replaced
from ..acting import BUMP_G
from .functions import FaceBolts, face_moment, overhung_motor_face, third_point


class OnFace(Topic):
    """A motor bolted to the face of a gearbox."""

    only_of = "gearbox face"

    def __init__(self, placed: ResolvedInstallation, old: Replaced[OnFace]) -> None:
        self.placed = placed
        self.unit = placed.installation.unit
        self.mount = placed.installation.mount
        self.name = placed.name
        self.old = old

    def _p(self, path: str) -> str:
        return f"{self.placed.pointer}/{path}"

    @lazy
    def face_terms(self) -> tuple[float, float, float]:
        """Bump in g, mass and overhang of a motor on the face of a gearbox."""
        face, unit = self.mount.face, self.unit
        asks = (
            lambda: need(unit.mass, self._p("unit/mass"), f"mass of the {self.name}").si,
            lambda: (
                need(
                    face.overhang,
                    self._p("mount/face/overhang"),
                    f"from the gearbox face to the CG of the {self.name}, plate and all",
                ).si
            ),
        )
        return BUMP_G, *ask_all(*asks)

    @lazy
    def third_terms(self) -> tuple[float, float, float, float, float]:
        """The same with the third point and the gearbox's own supports."""
        face, base = self.mount.face, self._p("mount/face")
        asks = (
            lambda: need(face.support_behind, f"{base}/support_behind", "from the gearbox supports to the face").si,
            lambda: need(face.third_at, f"{base}/third_at", "from the face to the third point").si,
        )
        terms, behind, third = ask_all(lambda: self.face_terms, *asks)
        return *terms, behind, third

    @lazy
    def face_bolts(self) -> FaceBolts:
        """Worst tension and shear of the bolts on the face."""
        face, unit = self.mount.face, self.unit
        asks = (
            lambda: need(unit.peak_torque, self._p("unit/peak_torque"), f"peak torque of the {self.name}").si,
            lambda: need(face.bolts, self._p("mount/face/bolts"), "bolts on the gearbox face").si,
            lambda: need(face.bolt_circle, self._p("mount/face/bolt_circle"), "bolt circle on the gearbox face").si,
        )
        (n, mass, overhang), torque, bolts, circle = ask_all(lambda: self.face_terms, *asks)
        return overhung_motor_face(mass, overhang, n, torque, int(bolts), circle)

    @property
    def on_face(self) -> bool:
        """Whether this unit is bolted to a gearbox's face."""
        return self.mount.face != Face()

    def values(self, out: ValueList) -> None:
        """Headline values."""
        old = self.old
        if not self.on_face:
            return
        out.add(
            "face-moment",
            "Moment on the gearbox face, bump",
            "moment",
            lambda: face_moment(*self.face_terms),
            before=(lambda: face_moment(*old.face_terms)) if old and old.on_face else None,
            working=lambda: face_moment.working(*self.face_terms),
        )
        if self.mount.face.third_at is not None:
            out.add(
                "third-point",
                "Load on the third point, bump",
                "force",
                lambda: third_point(*self.third_terms),
                working=lambda: third_point.working(*self.third_terms),
            )
        out.add(
            "face-tension",
            "Worst tension of a face bolt, no preload",
            "force",
            lambda: self.face_bolts.tension_n,
            source="elastic bolt group, statics",
        )
        out.add(
            "face-shear",
            "Worst shear of a face bolt",
            "force",
            lambda: self.face_bolts.shear_n,
            source="elastic bolt group, statics",
        )
