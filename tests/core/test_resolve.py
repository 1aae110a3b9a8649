"""Who sits where: flange, reduction, unit, propeller, mount; references; rows of the ledger."""

from __future__ import annotations

import math
from typing import Any

import numpy as np
import pytest

from crooked_keel.core.document import Project, apply_operations, value_at
from crooked_keel.core.errors import CannotSay, InputError
from crooked_keel.core.physics.geometry import thrust_rotation
from crooked_keel.core.resolved.craft import Resolved
from crooked_keel.core.resolved.installation import Local, ResolvedInstallation
from crooked_keel.core.resolved.references import got
from crooked_keel.core.setup import set_up
from tests.conftest import made_lapwing

DEMO = made_lapwing()
A = "/fits/a/installations/main"


def put(project: Project, **figures: Any) -> Project:
    return apply_operations(
        project,
        [
            {"op": "replace" if value_at(project, p) is not None else "add", "path": p, "value": v}
            for p, v in figures.items()
        ],
    )


def place(local: Local) -> list[float]:
    return [t.value for t in local]


def resolved(project: Project, fit_id: str | None) -> Resolved:
    """A document placed with one fit."""
    return set_up(project, fit_id).resolved


def placed(project: Project, fit_id: str) -> ResolvedInstallation:
    """The first installation of a fit."""
    return set_up(project, fit_id).installations[0].placed


def test_everything_hangs_on_the_flange_by_hand() -> None:
    """Flange, then back along the turned shaft: the reduction's length and offset, then the unit's own measures."""
    unit = placed(DEMO, "a")
    flange, r = np.array([-0.795, 0.0, 0.085]), thrust_rotation(math.radians(2), math.radians(1.5))
    crank = np.array([0.110, 0.0, -0.146])
    assert place(unit.flange) == pytest.approx(flange)
    assert place(unit.unit_cg) == pytest.approx(flange + r @ (crank + np.array([0.245, 0.012, 0.035])))
    assert place(unit.rear) == pytest.approx(flange + r @ (crank + np.array([0.520, 0, 0])))
    assert place(unit.drive_cg) == pytest.approx(flange + r @ np.array([0.045, 0, -0.073]))
    assert place(unit.propeller_centre) == pytest.approx(flange + r @ np.array([-0.060, 0, 0]))
    assert place(unit.mount_point("top-port")) == pytest.approx(flange + r @ (crank + np.array([0.400, -0.165, 0.150])))
    assert place(unit.structure_point("low-starboard")) == pytest.approx([0.0, 0.260, -0.235])


def test_direct_drive_puts_the_unit_on_the_output_flange() -> None:
    unit = placed(DEMO, "b")
    assert place(unit.unit_flange_local) == [0.0, 0.0, 0.0]
    assert unit.ratio == 1.0


def test_two_stages_add_their_offsets() -> None:
    second = {
        "name": "gear",
        "rank": 2.0,
        "ratio": "1.23",
        "turning": "flips",
        "offset_up": "50 mm",
        "offset_starboard": {"entered": "20 mm", "dir": "port"},
    }
    unit = placed(put(DEMO, **{f"{A}/drive/stages/gear": second}), "a")
    assert place(unit.unit_flange_local) == pytest.approx([0.110, 0.020, -0.196])
    assert unit.ratio == pytest.approx(85 / 35 * 1.23)


def test_angle_tolerance_reaches_the_cg() -> None:
    """±0.5° of right thrust swings a CG 0.355 m aft of the flange by 3.1 mm; by finite difference."""
    loose = put(DEMO, **{f"{A}/placement/right": {"entered": "1.5° ±0.5°", "source": "measured"}})
    slopes = {str(o): s for o, s in placed(loose, "a").unit_cg[1].slopes.items()}
    step = [placed(put(DEMO, **{f"{A}/placement/right": f"{1.5 + d}°"}), "a").unit_cg[1].value for d in (-0.01, 0.01)]
    assert slopes[f"{A}/placement/right"] == pytest.approx((step[1] - step[0]) / math.radians(0.02), rel=1e-6)


def test_rows_that_follow_from_the_installations() -> None:
    rows = {b.id: b for b in resolved(DEMO, "a").derived_rows}
    assert list(rows) == [
        "old-main-unit",
        "old-main-propeller",
        "old-main-mount",
        "main-unit",
        "main-drive",
        "main-propeller",
        "main-mount",
    ]
    assert [b.sign for b in rows.values()] == [-1, -1, -1, 1, 1, 1, 1]
    assert all(b.derived for b in rows.values())
    mount = rows["main-mount"]
    points = placed(DEMO, "a")
    mean = np.mean([place(p) for p in [*points.mount_points.values(), *points.structure_points.values()]], axis=0)
    assert [got(mount.x).value, got(mount.y).value, got(mount.z).value] == pytest.approx(mean)


def test_as_found_has_no_rows() -> None:
    assert resolved(DEMO, None).ledger == []


def test_a_moved_row_is_one_mass_in_two_places() -> None:
    row = {
        "kind": "moved",
        "name": "Radio",
        "mass": "3 kg ±0.2 kg",
        "station": "300 mm",
        "butt_line": "0 mm",
        "water_line": "0 mm",
        "to_station": "1900 mm",
        "to_butt_line": "0 mm",
        "to_water_line": "0 mm",
    }
    out, back = [b for b in resolved(put(DEMO, **{"/ledger/radio": row}), "a").typed_rows if b.id.startswith("radio")]
    assert (out.sign, back.sign) == (-1, 1)
    assert got(out.mass).slopes == got(back.mass).slopes
    gone = {**row, "to_station": None}
    half = next(b for b in resolved(put(DEMO, **{"/ledger/radio": gone}), "a").typed_rows if b.id == "radio-to")
    assert isinstance(half.x, CannotSay) and half.x.needs[0].pointer == "/ledger/radio/to_station"


def test_kept_rows_count_for_nothing() -> None:
    row = {"kind": "kept", "name": "Seat belts", "mass": "3 kg"}
    assert [b.sign for b in resolved(put(DEMO, **{"/ledger/belts": row}), "a").typed_rows if b.id == "belts"] == [0]


def test_references_chain_and_butt_lines_have_none() -> None:
    chain = put(
        DEMO,
        **{
            "/craft/references/spar": {"name": "spar", "station": {"entered": "10 in", "from": "leading-edge"}},
            "/craft/seats/rear/station": {"entered": "1 m", "from": "spar"},
        },
    )
    made = resolved(chain, "a").references.place(chain.craft.seats["rear"].station, "/s", "seat", "x")
    assert made.value == pytest.approx(21 * 0.0254 + 1)
    assert {str(o) for o in made.slopes} == {
        "/s",
        "/craft/references/spar/station",
        "/craft/references/leading-edge/station",
    }
    odd = put(DEMO, **{"/craft/seats/rear/butt_line": {"entered": "1 mm", "from": "firewall"}})
    with pytest.raises(InputError, match="measured from the centreline"):
        resolved(odd, "a").references.place(odd.craft.seats["rear"].butt_line, "/s", "seat", "y")


def test_an_unknown_reference_is_named_with_those_there_are() -> None:
    odd = put(DEMO, **{"/craft/seats/rear/station": {"entered": "1 m", "from": "spar"}})
    with pytest.raises(InputError, match="not a reference of this craft") as bad:
        resolved(odd, "a").references.place(odd.craft.seats["rear"].station, "/s", "seat", "x")
    assert bad.value.allowed == "datum, firewall, leading-edge"


def test_twins_are_two_installations() -> None:
    """Two units abreast: findings and rows carry the installation they are of."""
    from crooked_keel.core.document import plain
    from tests.kept import assess

    def bare(part: Any) -> Any:
        if isinstance(part, dict):
            return {k: bare(v) for k, v in part.items() if not (k == "si" and "entered" in part)}
        return part

    other = bare(plain(DEMO.fits["a"].installations["main"]))
    other |= {"rank": 2.0}
    other["placement"]["flange_butt_line"]["entered"] = "1500 mm"
    twins = put(DEMO, **{"/fits/a/installations/starboard": other})
    made = assess(twins, "a")
    assert not made.failures
    assert {f.key for f in made.findings} >= {"drive.tip-mach@main", "drive.tip-mach@starboard"}
    assert sum(r.name == "inline-three, belt" for r in made.balance.ledger) == 2  # type: ignore[union-attr]
    lateral = next(f for f in made.findings if f.key == "balance.cg-lateral")
    assert lateral.level == "stop"
