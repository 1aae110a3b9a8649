"""Sizes, masses and energies of which more is known than their dimension: what is usual of a hose, a tyre, a pack."""

from __future__ import annotations

from .kinds import Energy, Length, Mass


class UnitSize(Length):
    """How long, wide or high a power unit is, m."""

    usual = (0.08, 2.5)


class Size(Length):
    """Size of something that is held in a hand, m: of a tank, a slip joint, a filter's pipe."""

    by_share = True
    usual = (0.0, 3.0)


class Run(Size):
    """Length of a hose or a wire, m."""

    usual = (0.0, 40.0)


class Bore(Size):
    """Bore of a hose, a pipe or an outlet, m."""

    shown = "bore"
    usual = (0.002, 0.15)


class CouplingSize(Length):
    """Diameter of a shaft's coupling, m."""

    usual = (0.05, 0.4)


class TyreWidth(Length):
    """Width of a tyre as marked, m."""

    usual = (0.05, 0.4)


class RimSize(Length):
    """Diameter of a rim, m."""

    usual = (0.15, 0.66)


class WheelSize(Length):
    """Rolling radius of a wheel, or a width between the arms that hold it, m."""

    usual = (0.05, 0.5)


class PlaceLoad(Mass):
    """What one place may carry, kg."""

    usual = (0.0, 1000.0)


class PackEnergy(Energy):
    """Energy of a pack, J."""

    usual = (1e5, 5.4e8)
