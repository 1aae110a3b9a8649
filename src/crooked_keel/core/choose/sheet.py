"""Fields of the choose bench."""

from __future__ import annotations

from ..sheet.kit import Block, Entry, field
from .ports.functions import KINDS as PORTS
from .ports.functions import Attribute
from .ports.functions import PortSort as PortKind


def _ports() -> tuple[Block, ...]:
    """A folded group of fields for each kind of port."""
    return tuple(
        Block(
            "choose",
            f"Meets the craft: {k.name}",
            tuple(_port_entry(k, a) for a in k.attributes),
            form=k.form,
            folded=True,
        )
        for k in PORTS
    )


def _port_entry(kind: PortKind, attribute: Attribute) -> Entry:
    words = attribute.words[0].upper() + attribute.words[1:]
    return Entry(f"~/unit/ports/{kind.key}/{attribute.field}", words, "choice" if attribute.chosen else "figure")


BLOCKS: tuple[Block, ...] = (
    Block(
        "choose",
        "What is needed",
        (
            field("/need/power", "Power where it is used"),
            field("/need/altitude", "Height there"),
            field("/need/hot", "Hotter than standard, K"),
            field("/need/currency", "Money is in", "text"),
        ),
    ),
    Block(
        "choose",
        "Hard limits: outside them a candidate is out",
        (
            field("/need/least_power", "Least power that lasts there"),
            field("/need/most_mass", "Most it may weigh installed"),
            field("/need/most_cost", "Most it may cost"),
            field("/need/longest_wait", "Longest wait"),
            field("/need/least_parts", "Supply of parts at least, 1 to 5"),
        ),
        hint="Blank: no limit.",
        folded=True,
    ),
    Block(
        "choose",
        "What counts how much",
        (
            field("/need/weights/power", "Power that lasts there"),
            field("/need/weights/mass", "Installed mass"),
            field("/need/weights/cost", "Cost"),
            field("/need/weights/wait", "Wait"),
            field("/need/weights/parts", "Supply of parts"),
        ),
        hint="Any numbers: only their proportions matter. Blank is not counted.",
        folded=True,
    ),
    Block(
        "choose",
        "The unit on paper",
        (
            field("~/unit/name", "Name", "text"),
            field("~/unit/kind", "Kind", "choice"),
            field("~/unit/layout", "Cylinders lie", "choice"),
            field("~/unit/power", "Rated power, that lasts"),
            field("~/unit/rated_speed", "at"),
            field("~/unit/breathing", "Breathes", "choice"),
            field("~/unit/critical_altitude", "Critical altitude, turbocharged"),
            field("~/unit/gas_path", "Gas path low down, turbine"),
            field("~/unit/inertia", "Inertia of what turns"),
        ),
    ),
    Block(
        "choose",
        "What it burns, and what heat it gives",
        (
            field("~/unit/consumption", "Consumption at its rated power"),
            field("~/unit/heat", "Heat into its coolant there"),
        ),
        hint="Air-cooled: no heat into a coolant, 0 kW.",
    ),
    Block(
        "choose",
        "Price, wait, parts",
        (
            field("~/unit/cost", "Price"),
            field("~/unit/wait", "Comes in"),
            field("~/unit/parts", "Supply of parts, 1 to 5"),
        ),
    ),
    Block(
        "choose",
        "Ratings: a power, its speed, and how long",
        (field("power", "power"), field("speed", "at"), field("limit", "given", "choice"), field("lasts", "lasts")),
        table="~/unit/ratings",
        one="rating",
        folded=True,
    ),
    Block(
        "choose",
        "What hangs on it, and whether its quoted mass has it in",
        (field("mass", "mass"), field("counted", "is", "choice")),
        table="~/unit/accessories",
        one="accessory",
        folded=True,
    ),
    *_ports(),
    Block(
        "choose",
        "Petrol below a deck that had none",
        (
            field("^/ventilated", "Blower and ducts from the bottom of the space", "choice"),
            field("^/ignition_protected", "Everything electrical there ignition protected", "choice"),
            field("^/vapour_detected", "Vapour detector with an alarm at the helm", "choice"),
        ),
        form="afloat",
        folded=True,
    ),
    Block(
        "choose",
        "Money of this fit",
        (
            field("planned", "planned"),
            field("committed", "ordered"),
            field("spent", "paid"),
            field("state", "line is", "choice"),
        ),
        table="^/money",
        one="line",
        folded=True,
    ),
    Block(
        "choose",
        "When each comes, and what waits for it",
        (field("wait", "comes in"), field("week", "week", "text"), field("holds_up", "holds up", "text")),
        table="^/money",
        one="line",
        hint="Weeks as 2026-W48.",
        folded=True,
    ),
)
