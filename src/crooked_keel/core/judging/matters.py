"""What nobody looked at: a matter of a bench that no verdict was about is said on every screen and every print."""

from __future__ import annotations

from collections.abc import Iterable

from ..reference.kinds import Form
from .finding import Finding
from .register import RULES, Matter


def not_looked_at(matters: Iterable[Matter], found: Iterable[Finding], forms: frozenset[Form]) -> list[str]:
    """The matters of a bench that no verdict was about. A rule that could not say has looked at nothing."""
    seen = {RULES[f.rule].looks_at for f in found if f.level != "unknown"}
    of_this_craft = (m for m in matters if m.form is None or m.form in forms)
    return [m.what for m in of_this_craft if m not in seen]
