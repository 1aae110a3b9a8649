"""What a tyre may carry by the load index moulded on its wall, at the pressure and to the speed that its maker
gives."""

from __future__ import annotations

from ..errors import InputError

# Load index 0 to 120, kg. Source: the table of load indices (ISO 4000-1, ETRTO; from memory): eighty steps to the
# tenfold, rounded.
LOADS_KG: tuple[float, ...] = (
    45, 46.2, 47.5, 48.7, 50, 51.5, 53, 54.5, 56, 58, 60, 61.5, 63, 65, 67, 69, 71, 73, 75, 77.5,
    80, 82.5, 85, 87.5, 90, 92.5, 95, 97.5, 100, 103, 106, 109, 112, 115, 118, 121, 125, 128, 132, 136,
    140, 145, 150, 155, 160, 165, 170, 175, 180, 185, 190, 195, 200, 206, 212, 218, 224, 230, 236, 243,
    250, 257, 265, 272, 280, 290, 300, 307, 315, 325, 335, 345, 355, 365, 375, 387, 400, 412, 425, 437,
    450, 462, 475, 487, 500, 515, 530, 545, 560, 580, 600, 615, 630, 650, 670, 690, 710, 730, 750, 775,
    800, 825, 850, 875, 900, 925, 950, 975, 1000, 1030, 1060, 1090, 1120, 1150, 1180, 1215, 1250, 1285, 1320,
    1360, 1400,
)  # fmt: skip


def tyre_load(index: float, pointer: str) -> float:
    """What one tyre of a load index carries, kg. Raises InputError outside the table."""
    if not 0 <= index < len(LOADS_KG):
        raise InputError(
            pointer, "the table of load indices ends there", given=str(index), allowed=f"0 to {len(LOADS_KG) - 1}"
        )
    return float(LOADS_KG[round(index)])
