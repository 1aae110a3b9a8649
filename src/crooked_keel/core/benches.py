"""The one table of benches: what each is called, what it says, and how its findings are cleared.

Rules are found by walking the package of a bench: every module called `rules` in it is asked, none can be left out.
"""

from __future__ import annotations

import importlib
import pkgutil
from collections.abc import Callable, Iterator
from typing import Any, NamedTuple

from .align import matters as align_matters
from .align import section as align
from .align import sheet as align_sheet
from .align import suggest as align_ways
from .balance import matters as balance_matters
from .balance import section as balance
from .balance import sheet as balance_sheet
from .balance import suggest as balance_ways
from .build import matters as build_matters
from .build import section as build
from .build import sheet as build_sheet
from .build import suggest as build_ways
from .choose import matters as choose_matters
from .choose import section as choose
from .choose import sheet as choose_sheet
from .choose import suggest as choose_ways
from .craft import matters as craft_matters
from .craft import section as craft
from .craft import sheet as craft_sheet
from .craft.floating import sheet as floating_sheet
from .drive import matters as drive_matters
from .drive import section as drive
from .drive import sheet as drive_sheet
from .drive import suggest as drive_ways
from .judging.finding import BENCHES, Bench
from .judging.propose import Proposal
from .judging.register import RULES, Matter, Rule
from .mount import matters as mount_matters
from .mount import section as mount
from .mount import sheet as mount_sheet
from .mount import suggest as mount_ways
from .prove import matters as prove_matters
from .prove import section as prove
from .prove import sheet as prove_sheet
from .prove import suggest as prove_ways
from .reference.kinds import Form
from .sheet.kit import Block
from .systems import matters as systems_matters
from .systems import section as systems
from .systems import sheet as systems_sheet
from .systems import suggest as systems_ways
from .topic.workspace import Takes, takes

Says = Callable[..., Any]


class BenchEntry(NamedTuple):
    """One bench. of_an_installation: whether each installation has its own; values: what gives its headline values, in
    order; proposers: what offers ways out of the findings of a rule, by its id; sheet: its fields; matters: what it
    could look at."""

    name: Bench
    of_an_installation: bool
    values: tuple[Says, ...]
    proposers: dict[str, Callable[..., Iterator[Proposal]]]
    sheet: tuple[Block, ...]
    matters: tuple[Matter, ...]


TABLE: dict[Bench, BenchEntry] = {
    entry.name: entry
    for entry in (
        BenchEntry(
            "craft",
            False,
            craft.VALUES,
            {},
            (*craft_sheet.FOUND, *floating_sheet.BLOCKS, *craft_sheet.REST),
            craft_matters.MATTERS,
        ),
        BenchEntry("choose", True, choose.VALUES, choose_ways.PROPOSERS, choose_sheet.BLOCKS, choose_matters.MATTERS),
        BenchEntry(
            "balance", False, balance.VALUES, balance_ways.PROPOSERS, balance_sheet.BLOCKS, balance_matters.MATTERS
        ),
        BenchEntry("drive", True, drive.VALUES, drive_ways.PROPOSERS, drive_sheet.BLOCKS, drive_matters.MATTERS),
        BenchEntry("mount", True, mount.VALUES, mount_ways.PROPOSERS, mount_sheet.BLOCKS, mount_matters.MATTERS),
        BenchEntry("align", True, align.VALUES, align_ways.PROPOSERS, align_sheet.BLOCKS, align_matters.MATTERS),
        BenchEntry(
            "systems", True, systems.VALUES, systems_ways.PROPOSERS, systems_sheet.BLOCKS, systems_matters.MATTERS
        ),
        BenchEntry("build", False, build.VALUES, build_ways.PROPOSERS, build_sheet.BLOCKS, build_matters.MATTERS),
        BenchEntry("prove", True, prove.VALUES, prove_ways.PROPOSERS, prove_sheet.BLOCKS, prove_matters.MATTERS),
    )
}
BUILT: tuple[Bench, ...] = tuple(name for name in BENCHES if name in TABLE)


class Asked(NamedTuple):
    """A rule with the topics that it takes."""

    rule: Rule
    takes: Takes


def _rules(bench: Bench) -> list[Asked]:
    """The rules of a bench, from every `rules` module of its package."""
    package = importlib.import_module(f"{__package__}.{bench}")
    for module in sorted(m.name for m in pkgutil.walk_packages(package.__path__, f"{package.__name__}.")):
        if module.endswith(".rules"):
            importlib.import_module(module)
    return [Asked(r, takes(r.check)) for r in RULES.values() if r.bench == bench]


RULES_OF: dict[Bench, list[Asked]] = {bench: _rules(bench) for bench in BUILT}


def asked_of_forms(bench: Bench, forms: frozenset[Form]) -> list[Asked]:
    """The rules of a bench that are asked of a craft of these forms."""
    return [a for a in RULES_OF.get(bench, []) if a.rule.form is None or a.rule.form in forms]
