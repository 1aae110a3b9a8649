"""What a run must keep, where its maker says otherwise than the defaults."""

from __future__ import annotations

from ..figure.flows import GasTemperature, Pressure, SystemVoltage, Temperature
from .base import Part


class RunLimits(Part):
    """Limits of a run of one unit. A blank takes the default that is shown beside it, with its source."""

    oil_pressure_idle: Pressure | None = None
    oil_pressure: Pressure | None = None
    oil_hottest: Temperature | None = None
    outlet_hottest: Temperature | None = None
    gas_hottest: GasTemperature | None = None
    charge_least: SystemVoltage | None = None
    charge_most: SystemVoltage | None = None
    motor_hottest: Temperature | None = None
    controller_hottest: Temperature | None = None
