"""The document and the ways in which it may change."""

from ..figure.base import Figure
from .align import Align, Joint
from .balance import EnvelopePoint, LedgerRow, Limits, Loading, Pack, Seat, Space, Tank, Wing
from .base import Part
from .build import Plan, Task
from .choose import MoneyLine, Need
from .craft import AsFound, Correction, Craft, HullSection, Mark, Outline, Reference, Story, Support
from .drive import CrossShaft, Drive, DriveOption, Propeller, Stage, Wheel
from .files import dump, load, load_trusted, plain, schema
from .fit import Fit, Installation, Placement
from .library import LibraryUnit, dump_library, load_library, load_unit, restyled, taken_out, turned
from .mount import Face, Mount, MountPoint, SwingUnit
from .patch import apply_operations, apply_to, check_id, fragments_of, value_at
from .project import REFERENCE_VERSION, SCHEMA_VERSION, Assumptions, Instrument, Project
from .unit import Accessory, Crane, CurvePoint, Hung, Lifting, Ports, PowerUnit, TwoScales

__all__ = [
    "REFERENCE_VERSION",
    "SCHEMA_VERSION",
    "Accessory",
    "Align",
    "AsFound",
    "Assumptions",
    "Correction",
    "Craft",
    "Crane",
    "CrossShaft",
    "CurvePoint",
    "Drive",
    "DriveOption",
    "EnvelopePoint",
    "Face",
    "Figure",
    "Fit",
    "HullSection",
    "Hung",
    "Installation",
    "Instrument",
    "Joint",
    "LedgerRow",
    "LibraryUnit",
    "Lifting",
    "Limits",
    "Loading",
    "Mark",
    "MoneyLine",
    "Mount",
    "MountPoint",
    "Need",
    "Outline",
    "Pack",
    "Part",
    "Placement",
    "Plan",
    "Ports",
    "PowerUnit",
    "Project",
    "Propeller",
    "Reference",
    "Seat",
    "Space",
    "Stage",
    "Story",
    "Support",
    "SwingUnit",
    "Tank",
    "Task",
    "TwoScales",
    "Wheel",
    "Wing",
    "apply_operations",
    "apply_to",
    "check_id",
    "dump",
    "dump_library",
    "fragments_of",
    "load",
    "load_library",
    "load_trusted",
    "load_unit",
    "plain",
    "restyled",
    "schema",
    "taken_out",
    "turned",
    "value_at",
]
