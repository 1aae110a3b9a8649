"""Fields of what takes, carries and makes current."""

from __future__ import annotations

from ...sheet.kit import Block, Entry, field
from ..entries import entry

BLOCKS: tuple[Block, ...] = (
    Block(
        "systems",
        "Current",
        (
            entry("electric/earth", "Earth of the unit", "choice"),
            entry("electric/voltage", "Voltage"),
            entry("electric/source_idle", "Generator at idle"),
            entry("electric/source_cruise", "Generator at cruise"),
            entry("electric/charge_voltage", "It is regulated to"),
            entry("electric/ignition", "Ignition", "choice"),
            entry("electric/senders", "Senders", "choice"),
        ),
    ),
    Block(
        "systems",
        "What takes current",
        (field("power", "power"), field("duty", "of the time")),
        table="~/systems/electric/loads",
        one="load",
    ),
    Block(
        "systems",
        "Wires",
        (
            field("current", "current"),
            field("runs", "runs", "choice"),
            field("run", "out and back"),
            field("size", "size", "choice"),
            field("drop", "may lose", "choice"),
            field("lies", "lies", "choice"),
            field("insulation", "insulation", "choice"),
            field("carries", "carries, by its maker"),
            field("bundle", "in a bundle of"),
            field("fuse", "fuse"),
            field("fuse_at", "from the source"),
        ),
        table="~/systems/electric/wires",
        one="wire",
        hint="Length is there and back: both conductors lose.",
    ),
    Block(
        "systems",
        "Batteries",
        (
            field("purpose", "for", "choice"),
            field("cells", "cells", "choice"),
            field("capacity", "capacity"),
            field("current", "current drawn"),
            field("lasts", "to last"),
            field("resistance", "resistance inside"),
            field("cable", "of its cables"),
        ),
        table="~/systems/electric/banks",
        one="battery",
    ),
    Block(
        "systems",
        "How each battery is charged",
        (
            field("charged_by", "by", "choice"),
            field("through", "through", "choice"),
            field("most_current", "bears at most"),
            field("full_again", "unit runs for"),
        ),
        table="~/systems/electric/banks",
        one="battery",
    ),
    Block(
        "systems",
        "The circuit: what feeds what",
        (
            field("role", "is", "choice"),
            Entry("fed_by", "fed by", "key", ("~/systems/electric/circuit",)),
            Entry("or_by", "or by", "key", ("~/systems/electric/circuit",)),
        ),
        table="~/systems/electric/circuit",
        one="part",
        folded=True,
    ),
    Block(
        "systems",
        "Trigger of the ignition",
        (
            entry("electric/trigger/teeth", "Teeth, gaps counted"),
            entry("electric/trigger/missing", "Missing"),
            entry("electric/trigger/turns", "Turns", "choice"),
            entry("electric/trigger/radius", "Radius"),
            entry("electric/trigger/placed_within", "Teeth placed within"),
            entry("electric/trigger/gap", "Gap at the sensor"),
            entry("electric/trigger/runout", "Run-out"),
            entry("electric/trigger/old_angle", "Old angle to top dead centre"),
            entry("electric/trigger/new_angle", "New angle to top dead centre"),
        ),
        folded=True,
    ),
)
