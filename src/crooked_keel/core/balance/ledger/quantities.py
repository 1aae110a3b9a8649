"""Masses and centres of the empty craft, before and after the work."""

from __future__ import annotations

from ...errors import CannotSay, ask_all
from ...resolved.craft import Resolved
from ...resolved.references import Axis, Body, got
from ...resolved.rows import Rows
from ...topic.lazy import lazy
from ...topic.reading import Topic
from ..handed import AsFound
from .functions import Centre, apply_ledger, sums_of


class Stripped(Topic):
    """The craft with the old installations out and every typed row done, but nothing of the fit put in: what stands
    while only an installation changes. as_found: its bodies, from the craft bench."""

    def __init__(self, resolved: Resolved, rows: Rows, as_found: AsFound) -> None:
        self.resolved = resolved
        self.rows = rows
        self._as_found = as_found

    @lazy
    def as_found(self) -> list[Body]:
        """Bodies of the empty craft as found."""
        if isinstance(self._as_found, CannotSay):
            raise CannotSay(*self._as_found.needs)
        return self._as_found

    @lazy
    def x(self) -> Centre:
        """Sums along the craft."""
        return self._sums("x")

    @lazy
    def y(self) -> Centre:
        """Sums across the craft."""
        return self._sums("y")

    @lazy
    def z(self) -> Centre:
        """Sums upwards."""
        return self._sums("z")

    def _sums(self, axis: Axis) -> Centre:
        return sums_of([*self.as_found, *self.resolved.taken_out, *self.rows.bodies], axis)


class Ledger(Topic):
    """The empty craft as found and after the work."""

    def __init__(self, resolved: Resolved, stripped: Stripped) -> None:
        self.resolved = resolved
        self.stripped = stripped

    @property
    def as_found(self) -> list[Body]:
        """Bodies of the empty craft as found."""
        return self.stripped.as_found

    @lazy
    def changed_bodies(self) -> list[Body]:
        """Bodies of the empty craft after the work, but for the typed rows."""
        return [*self.as_found, *self.resolved.derived_rows]

    def _after(self, axis: Axis) -> Centre:
        """Sums over the empty craft after the work."""
        stripped, _ = ask_all(lambda: getattr(self.stripped, axis), lambda: whole(self.resolved.put_in, axis))
        return apply_ledger(self.resolved.put_in, axis, stripped)

    @lazy
    def before(self) -> Centre:
        """Empty craft as found, along x."""
        return apply_ledger(self.as_found)

    @lazy
    def before_y(self) -> Centre:
        """Empty craft as found, along y."""
        return apply_ledger(self.as_found, "y")

    @lazy
    def before_z(self) -> Centre:
        """Empty craft as found, along z."""
        return apply_ledger(self.as_found, "z")

    @lazy
    def empty(self) -> Centre:
        """Empty craft after the work, along x."""
        return self._after("x")

    @lazy
    def empty_y(self) -> Centre:
        """Empty craft after the work, along y. Rows without a butt line that cannot matter are left out and
        reported."""
        out = {b.id for b in self.lateral_left_out}
        if out:
            return apply_ledger([b for b in [*self.changed_bodies, *self.resolved.typed_rows] if b.id not in out], "y")
        return self._after("y")

    @lazy
    def empty_z(self) -> Centre:
        """Empty craft after the work, along z."""
        return self._after("z")

    @lazy
    def lateral_left_out(self) -> list[Body]:
        """Rows whose butt line is unknown but whose mass at 0.5 m would, all together, move the CG less than 1 mm."""
        blank = [
            b
            for b in [*self.changed_bodies, *self.resolved.typed_rows]
            if b.sign and isinstance(b.y, CannotSay) and not isinstance(b.mass, CannotSay)
        ]
        reach = sum(got(b.mass).value for b in blank) * 0.5 / self.empty.mass_kg
        return blank if blank and reach < 1e-3 else []

    @lazy
    def engine_out(self) -> Centre:
        """The craft with the old unit and all that is removed out, nothing put in, along x."""
        out = [b for b in self.resolved.ledger if b.sign < 0]
        if self.resolved.fit_id is None:
            out += [b for placed in self.resolved.old for b in placed.taken_out]
        return apply_ledger([*self.as_found, *out])

    @lazy
    def in_and_out_kg(self) -> tuple[float, float]:
        """Masses installed and removed."""
        rows = [b for b in self.resolved.ledger if b.sign]
        return sum(got(b.mass).value for b in rows if b.sign > 0), sum(got(b.mass).value for b in rows if b.sign < 0)


def whole(bodies: list[Body], axis: Axis) -> list[Body]:
    """The bodies, or one CannotSay with all that their sums need."""
    needs = {
        n.pointer: n
        for b in bodies
        if b.sign
        for m in (b.mass, b.axis(axis))
        if isinstance(m, CannotSay)
        for n in m.needs
    }
    if needs:
        raise CannotSay(*needs.values())
    return bodies
