"""People, baggage and fuel of each loading, as bodies; and the tanks that there are."""

from __future__ import annotations

from collections.abc import Mapping

from ..document import Fit, Loading, Seat, Tank
from ..errors import InputError, ask_all, or_gap
from ..figure.trace import Traced
from ..topic.lazy import lazy
from ..topic.reading import Topic
from .references import Body, References, as_stated


class Loads(Topic):
    """What each loading puts aboard, on the craft as found or with the tanks of a fit."""

    def __init__(
        self,
        loadings: Mapping[str, Loading],
        seats: Mapping[str, Seat],
        tanks: Mapping[str, Tank],
        fit: Fit | None,
        fit_id: str | None,
        references: References,
    ) -> None:
        self.loadings = loadings
        self.seats = sorted(seats.items(), key=lambda s: s[1].rank)
        self.references = references
        own = [(k, f"/craft/tanks/{k}", t) for k, t in sorted(tanks.items(), key=lambda t: t[1].rank)]
        self._before = self._after = own
        if fit is not None:
            added = sorted(fit.tanks.items(), key=lambda t: t[1].rank)
            kept = [] if fit.fuel == "out" else own
            self._after = kept + [(k, f"/fits/{fit_id}/tanks/{k}", t) for k, t in added]

    @lazy
    def keys(self) -> list[str]:
        """Ids of the loadings, in order."""
        return [k for k, _ in sorted(self.loadings.items(), key=lambda i: i[1].rank)]

    def name(self, key: str) -> str:
        """What people call a loading."""
        return self.loadings[key].name

    def tanks(self, after: bool) -> list[tuple[str, str, Tank]]:
        """Tanks in order, of the craft as found, or after the work: without those that go, with those that the fit
        adds. Key, pointer, tank."""
        return self._after if after else self._before

    @lazy
    def _people(self) -> dict[str, list[Body]]:
        return {}

    @lazy
    def _fuel(self) -> dict[tuple[str, bool], list[Body]]:
        return {}

    def people(self, key: str) -> list[Body]:
        """People and baggage of a loading, place by place."""
        if key not in self._people:
            self._people[key] = [self._seated(key, seat_id, seat) for seat_id, seat in self.seats]
        return self._people[key]

    def fuel(self, key: str, after: bool) -> list[Body]:
        """Fuel of a loading, tank by tank."""
        if (key, after) not in self._fuel:
            self._fuel[key, after] = [self._filled(key, *tank) for tank in self.tanks(after)]
        return self._fuel[key, after]

    def _seated(self, key: str, seat_id: str, seat: Seat) -> Body:
        pointer, loading = f"/craft/seats/{seat_id}", self.loadings[key]
        at, what = f"/loadings/{key}/loads/{seat_id}", f"load on {seat.name} ({loading.name})"
        load = or_gap(lambda: as_stated(loading.loads.get(seat_id), at, what))
        return Body(seat_id, seat.name, "loaded", 1, pointer, load, *self.references.position(seat, pointer, seat.name))

    def _filled(self, key: str, tank_id: str, pointer: str, tank: Tank) -> Body:
        loading, measured = self.loadings[key], self.references.measured
        at, what = f"/loadings/{key}/fuel/{tank_id}", f"fuel in the {tank.name} ({loading.name})"

        def mass() -> Traced:
            held = loading.fuel.get(tank_id)
            if held is not None and tank.capacity is not None and held.si > tank.capacity.si * (1 + 1e-9):
                raise InputError(
                    at,
                    f"{loading.name}: more fuel than the {tank.name} holds",
                    given=held.entered,
                    allowed=f"up to {tank.capacity.entered}",
                )
            volume, density = ask_all(
                lambda: as_stated(loading.fuel.get(tank_id), at, what),
                lambda: measured(tank.density, f"{pointer}/density", f"density of the fuel in the {tank.name}"),
            )
            return volume.by(density)

        place = self.references.position(tank, pointer, tank.name)
        return Body(tank_id, tank.name, "loaded", 1, pointer, or_gap(mass), *place)
