"""The document and the ways in which it may change."""

from ..figure import Figure
from .base import Part
from .craft import AsFound, Correction, Craft, EnvelopePoint, Limits, Mark, Outline, Reference, Seat, Support, Tank
from .files import dump, load, load_trusted, plain, schema
from .fit import (
    Drive,
    Face,
    Fit,
    Installation,
    LedgerRow,
    Loading,
    Mount,
    MountPoint,
    Pack,
    Placement,
    PowerUnit,
    Propeller,
    Stage,
    TwoScales,
)
from .patch import apply_operations, fragments_of, value_at
from .project import REFERENCE_VERSION, SCHEMA_VERSION, Assumptions, Project

__all__ = [
    "REFERENCE_VERSION", "SCHEMA_VERSION", "AsFound", "Assumptions", "Correction", "Craft", "Drive",
    "EnvelopePoint", "Face", "Figure", "Fit", "Installation", "LedgerRow", "Limits", "Loading", "Mark", "Mount", "MountPoint", "Outline", "Pack", "Part",
    "Placement", "PowerUnit", "Project", "Propeller", "Reference", "Seat", "Stage", "Support", "Tank", "TwoScales",
    "apply_operations", "dump", "fragments_of", "load", "load_trusted", "plain", "schema", "value_at",
]  # fmt: skip
