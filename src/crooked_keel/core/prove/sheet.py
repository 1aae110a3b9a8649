"""Fields of the prove bench."""

from __future__ import annotations

from ..sheet.kit import Block, Entry, field


def _l(part: str, label: str) -> Entry:
    return field(f"~/run_limits/{part}", label)


BLOCKS: tuple[Block, ...] = (
    Block(
        "prove",
        "Limits of the runs, where its maker says otherwise",
        (
            _l("oil_pressure_idle", "Oil pressure at idle, least"),
            _l("oil_pressure", "Oil pressure, least"),
            _l("oil_hottest", "Oil, hottest"),
            _l("outlet_hottest", "Water at the outlet, hottest"),
            _l("gas_hottest", "Exhaust gas, hottest"),
            _l("charge_least", "Charging, least"),
            _l("charge_most", "Charging, most"),
            _l("motor_hottest", "Winding of the motor, hottest"),
            _l("controller_hottest", "Controller, hottest"),
        ),
        hint="A blank takes the default that stands beside the reading: common practice, no source.",
        folded=True,
    ),
)
