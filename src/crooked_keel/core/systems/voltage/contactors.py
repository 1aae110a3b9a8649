"""The contactors of a high-voltage circuit as a stand-in that can be driven: states, what moves them, and in plain
words why they will not close. A real controller must be independent of this one."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass, field
from typing import Literal

from ...errors import InputError

State = Literal["OFF", "SELF_TEST", "PRECHARGE", "ARMED", "DRIVE", "FAULT", "DISCHARGE"]
PLAIN = (
    "key_on",
    "key_off",
    "selftest_ok",
    "brake_on",
    "brake_off",
    "neutral",
    "direction_chosen",
    "request_drive",
    "disarm",
    "charger_in",
    "charger_out",
    "stand_down",
    "stand_up",
    "interlock_open",
    "interlock_closed",
    "emergency_stop",
    "emergency_stop_released",
    "over_temperature",
    "temperature_ok",
    "link_below_60v",
    "ack",
)
_WITH = {
    "link_before": re.compile(r"link_at_(\d+(?:\.\d+)?)pct_before_close"),
    "link_at": re.compile(r"link_reaches_95pct_at_(\d+(?:\.\d+)?)s"),
    "throttle": re.compile(r"throttle_(\d+(?:\.\d+)?)pct"),
    "isolation": re.compile(r"isolation_(\d+(?:\.\d+)?)ohm_per_volt"),
    "lost": re.compile(r"throttle_lost_(\d+(?:\.\d+)?)s"),
    "idle": re.compile(r"idle_(\d+(?:\.\d+)?)s"),
}
# A link that holds more than this of the pack, or 60 V, before anything closed.
_WELDED = 10.0


@dataclass(frozen=True)
class Circuit:
    """What the machine must know of its circuit: time to 95 % of the pack, s; the pack, V; least isolation, Ω/V; and
    whether it is in a craft in motion that keeps driving with an alarm."""

    t95_s: float = 0.5991465
    pack_v: float = 96.0
    isolation_ohm_v: float = 500.0
    keeps_driving: bool = False


@dataclass
class Machine:
    """The state machine. refused: the last refusal; cause: of the fault; said: what each event did, in words."""

    circuit: Circuit = field(default_factory=Circuit)
    state: State = "OFF"
    cause: str | None = None
    refused: str | None = None
    acknowledged: bool = False
    throttle: float = 0.0
    throttle_there: bool = True
    held: bool = False
    brake: bool = False
    charger: bool = False
    stand: bool = False
    direction: bool = True
    alarm: str | None = None
    barred: bool = False
    standing: dict[str, bool] = field(default_factory=dict)
    proved_dead: bool = False
    said: list[str] = field(default_factory=list)

    @property
    def torque_zero(self) -> bool:
        """Whether the motor gets nothing."""
        return self.state != "DRIVE" or not self.direction or not self.throttle_there or self.held

    def run(self, events: Sequence[str]) -> Machine:
        """Every event in order. Raises InputError at one that is not known."""
        for event in events:
            before = self.state
            self._take(event)
            if self.state != before:
                self.said.append(
                    f"{event}: {before} → {self.state}" + (f", {self.cause}" if self.state == "FAULT" else "")
                )
            elif self.refused is not None and event in ("request_drive", "key_on"):
                self.said.append(f"{event}: refused, {self.refused}")
            else:
                self.said.append(f"{event}: stays {self.state}")
        return self

    def _take(self, event: str) -> None:
        if event in PLAIN:
            getattr(self, f"_{event}")()
            return
        for name, pattern in _WITH.items():
            if (found := pattern.fullmatch(event)) is not None:
                getattr(self, f"_{name}")(float(found[1]))
                return
        raise InputError("events", "no such event is known", given=event[:60], allowed=", ".join(PLAIN))

    def _fault(self, cause: str) -> None:
        self.state, self.cause, self.acknowledged, self.proved_dead = "FAULT", cause, False, False

    def _stands(self, cause: str, there: bool) -> None:
        """A condition that outlives its fault until it is cleared; in motion some keep driving with an alarm."""
        self.standing[cause] = there
        if not there or self.state == "OFF":
            return
        if self.state == "DRIVE" and self.circuit.keeps_driving and cause != "emergency stop":
            self.alarm, self.barred = cause, True
        elif self.state != "FAULT":
            self._fault(cause)

    # --- the key and the test of itself

    def _key_on(self) -> None:
        self.refused = None
        if self.state != "OFF":
            return
        cause = next((c for c, there in self.standing.items() if there), None)
        if cause is not None:
            self._fault(cause)
        else:
            self.state = "SELF_TEST"

    def _key_off(self) -> None:
        if self.state == "FAULT":
            if self.acknowledged:
                self.state, self.cause, self.acknowledged = "OFF", None, False
        elif self.state == "SELF_TEST":
            self.state = "OFF"
        elif self.state in ("PRECHARGE", "ARMED", "DRIVE"):
            self.state = "DISCHARGE"

    def _link_before(self, percent: float) -> None:
        if self.state == "SELF_TEST" and (percent >= _WELDED or percent / 100 * self.circuit.pack_v >= 60):
            self._fault("contactor welded")

    def _selftest_ok(self) -> None:
        if self.state == "SELF_TEST":
            self.state = "PRECHARGE"

    def _link_at(self, seconds: float) -> None:
        if self.state != "PRECHARGE":
            return
        t95 = self.circuit.t95_s
        if seconds < 0.5 * t95:
            self._fault("capacitor missing or resistor bypassed")
        elif seconds > max(1.0, 3 * t95):
            self._fault("pre-charge too slow")
        else:
            self.state = "ARMED"
            self.alarm = "slow pre-charge: a load on the link, or an ageing resistor" if seconds > 1.5 * t95 else None

    # --- driving

    def _request_drive(self) -> None:
        refusals = (
            ("not armed", self.state != "ARMED"),
            ("brake not applied", not self.brake),
            ("throttle not zero", self.throttle >= 5 or not self.throttle_there),
            ("charger plugged in", self.charger),
            ("stand down", self.stand),
        )
        self.refused = next((words for words, there in refusals if there), None)
        if self.refused is None:
            self.state, self.held = "DRIVE", False

    def _disarm(self) -> None:
        if self.state == "DRIVE":
            self.state = "ARMED"
        elif self.state == "ARMED":
            self.state = "DISCHARGE"

    def _brake_on(self) -> None:
        self.brake = True
        self._both()

    def _brake_off(self) -> None:
        self.brake = False

    def _throttle(self, percent: float) -> None:
        self.throttle = percent
        if not self.throttle_there:
            self.throttle_there, self.held = True, percent >= 5
        elif self.held and percent < 5:
            self.held = False
        self._both()

    def _both(self) -> None:
        if self.state == "DRIVE" and self.brake and self.throttle > 25:
            self.held = True

    def _lost(self, seconds: float) -> None:
        if self.state != "DRIVE":
            return
        if seconds >= 0.1:
            self.throttle_there = False
        if seconds >= 1.0 and not self.circuit.keeps_driving:
            self._fault("throttle signal lost")

    def _neutral(self) -> None:
        self.direction = False

    def _direction_chosen(self) -> None:
        self.direction = True

    def _charger_in(self) -> None:
        self.charger = True
        if self.state == "DRIVE":
            self.state = "ARMED"

    def _charger_out(self) -> None:
        self.charger = False

    def _stand_down(self) -> None:
        self.stand = True
        if self.state == "DRIVE":
            self.state = "ARMED"

    def _stand_up(self) -> None:
        self.stand = False

    def _idle(self, seconds: float) -> None:
        if self.state == "ARMED" and seconds >= 300:
            self.state = "DISCHARGE"

    # --- what must not be

    def _interlock_open(self) -> None:
        self._stands("interlock open", True)

    def _interlock_closed(self) -> None:
        self._stands("interlock open", False)

    def _emergency_stop(self) -> None:
        self._stands("emergency stop", True)

    def _emergency_stop_released(self) -> None:
        self._stands("emergency stop", False)

    def _over_temperature(self) -> None:
        self._stands("over temperature", True)

    def _temperature_ok(self) -> None:
        self._stands("over temperature", False)

    def _isolation(self, ohm_per_volt: float) -> None:
        self._stands("isolation below limit", ohm_per_volt < self.circuit.isolation_ohm_v)

    # --- the way back

    def _link_below_60v(self) -> None:
        if self.state == "DISCHARGE":
            self.state = "OFF"
        elif self.state == "FAULT":
            self.proved_dead = True

    def _ack(self) -> None:
        if self.state == "FAULT" and self.proved_dead:
            self.acknowledged, self.proved_dead = True, False


# Why it will not close or drive, and what then: said beside each state and cause.
WHY: dict[str, str] = {
    "OFF": "Key off. The link must be measured below 60 V before anything is touched; off is not proved dead.",
    "SELF_TEST": "It looks whether the link is empty, the interlock closed, the isolation good.",
    "PRECHARGE": "The link fills through the resistor; the main contactor waits for 95 %.",
    "ARMED": "Contactors closed, torque held at nothing. Brake, throttle at rest, charger out and stand up, then "
    "drive.",
    "DRIVE": "Torque follows the throttle.",
    "FAULT": "Torque is nothing, contactors open. Link below 60 V, then acknowledge, then key off.",
    "DISCHARGE": "Contactors open. Wait until the link is below 60 V with the shaft at rest; then prove it dead.",
    "contactor welded": "The link has voltage before anything closed: a welded contactor, or charge left from before.",
    "capacitor missing or resistor bypassed": "The link filled too fast: it is not the circuit that it should be.",
    "pre-charge too slow": "Something draws from the link, or the resistor is open. Cool it before the next try.",
    "isolation below limit": "Current could flow through the frame, and through whoever touches it. Find the leak.",
    "interlock open": "A cover or plug of the circuit is open.",
    "emergency stop": "Somebody pressed it. Find out why before it is released.",
    "throttle signal lost": "A broken wire or plug at the throttle.",
    "over temperature": "Motor, controller or pack is too hot.",
    "not armed": "It drives only from ARMED.",
    "brake not applied": "Hold the brake.",
    "throttle not zero": "Let the throttle go, below 5 %.",
    "charger plugged in": "Pull the charger.",
    "stand down": "Fold the stand up.",
}
