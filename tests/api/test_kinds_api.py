"""Every kind over HTTP: started, listed, previewed, printed; what the sheets name can be put in; what is not known is
refused at its field."""

from __future__ import annotations

import re
from typing import Any

import pytest
from fastapi.testclient import TestClient

from crooked_keel.core.document import Figure, dump
from crooked_keel.core.document.fields import all_fields
from crooked_keel.core.reference.kinds import KINDS
from crooked_keel.core.sheets import BLOCKS, sheet
from tests.conftest import DEMO_OF, KIND_IDS, first_of, revision

LAYOUTS = [(kind, layout) for kind in KIND_IDS for layout in KINDS[kind].layouts]


def start(client: TestClient, **form: Any) -> Any:
    return client.post("/api/projects", json={"name": "Tern", "unit_name": "generic", **form})


def imported(client: TestClient, kind: str) -> str:
    made = client.post("/api/projects/import", json={"text": dump(DEMO_OF[kind])})
    assert made.status_code == 201, made.text
    return str(made.json()["id"])


@pytest.mark.parametrize(("kind", "layout"), LAYOUTS)
def test_each_kind_and_layout_starts(client: TestClient, kind: str, layout: str) -> None:
    made = start(client, kind=kind, layout=layout)
    assert made.status_code == 201, made.text
    state = made.json()
    assert (state["document"]["kind"], state["document"]["craft"]["layout"]) == (kind, layout)
    levels = {f["level"] for f in state["assessment"]["findings"]}
    assert "unknown" in levels and "stop" not in levels
    assert not any(b["failed"] for b in state["assessment"]["benches"])
    assert client.get("/api/projects").json()[0]["kind"] == kind


@pytest.mark.parametrize("kind", KIND_IDS)
def test_without_a_layout_the_first_is_taken(client: TestClient, kind: str) -> None:
    assert start(client, kind=kind).json()["document"]["craft"]["layout"] == KINDS[kind].layouts[0]


@pytest.mark.parametrize(
    ("form", "field", "accepted"),
    [
        ({"kind": "airship"}, "kind", "aeroplane"),
        ({"kind": "boat", "layout": "tricycle"}, "layout", "single screw"),
        ({"kind": "boat", "layout": ""}, "layout", "single screw"),
        ({"kind": "boat", "units": "stone"}, "units", "mm-kg"),
        ({"kind": "boat", "name": ""}, "name", "1"),
    ],
)
def test_what_cannot_be_started_is_refused_at_its_field(
    client: TestClient, form: dict[str, str], field: str, accepted: str
) -> None:
    made = start(client, **form)
    assert made.status_code == 422
    assert made.json()["pointer"] == f"/{field}"
    assert accepted in str(made.json())
    assert client.get("/api/projects").json() == []


@pytest.mark.parametrize("kind", KIND_IDS)
def test_any_figure_of_any_sheet_is_taken_as_it_was_written_and_undone(client: TestClient, kind: str) -> None:
    """Every figure of the demonstration's fit a that a sheet shows is typed again: it means what it meant. Then all is
    undone."""
    id = imported(client, kind)
    before = client.get(f"/api/projects/{id}").json()["document"]
    operations = []
    for block in sheet(KINDS[kind]):
        for base in ("/fits/a/installations/" + next(iter(before["fits"]["a"]["installations"])),):
            pointers = [e.pointer.replace("~", base) for e in block.entries if e.kind == "figure"]
            if block.table:
                rows = found(before, block.table.replace("~", base)) or {}
                pointers = [f"{block.table.replace('~', base)}/{key}/{p}" for key in rows for p in pointers]
            operations += [
                {"op": "replace", "path": p, "value": now["entered"]}
                for p in dict.fromkeys(pointers)
                if isinstance(now := found(before, p), dict)
            ]
    assert len(operations) > 40
    body = {"base": 1, "summary": "typed again", "operations": operations}
    reply = client.patch(f"/api/projects/{id}?fit=a", json=body)
    assert reply.status_code == 200, reply.text
    after = client.get(f"/api/projects/{id}").json()["document"]
    for p in (o["path"] for o in operations):
        assert found(after, p)["si"] == found(before, p)["si"], p
    assert client.post(f"/api/projects/{id}/undo?fit=a&on={revision(client, id)}").json()["document"] == before


def found(document: Any, pointer: str) -> Any:
    for key in pointer.strip("/").split("/"):
        document = document.get(key) if isinstance(document, dict) else None
    return document


@pytest.mark.parametrize("kind", KIND_IDS)
def test_reference_describes_every_entry_of_the_sheets(client: TestClient, kind: str) -> None:
    reference = client.get("/api/reference").json()
    fields = (
        set(reference["fields"])
        if isinstance(reference["fields"], dict)
        else {f["pattern"] for f in reference["fields"]}
    )
    fields |= {f.replace("/references/*/", "/references/firewall/") for f in fields}  # one that a sheet names itself
    for block in reference["sheets"][kind]:
        assert block["entries"] and block["title"] and "{" not in block["title"] + block["hint"]
        for entry in block["entries"]:
            assert "{" not in entry["label"]
            if entry["kind"] == "text":
                continue
            if entry["kind"] == "key":
                assert [b for b in reference["sheets"][kind] if b["table"] == entry["choices"][0]]
                continue
            at = f"{block['table']}/*/{entry['pointer']}" if block["table"] else entry["pointer"]
            assert pattern(at) in fields, at


def pattern(pointer: str) -> str:
    return pointer.replace("~", "/fits/*/installations/*").replace("^", "/fits/*")


def test_every_figure_of_the_document_stands_on_some_sheet() -> None:
    """A figure that no sheet shows could never be typed. Tables of their own: ledger, loadings, envelope."""
    shown = {
        pattern(f"{b.table}/*/{e.pointer}" if b.table else e.pointer)
        for kind in KINDS.values()
        for b in sheet(kind)
        for e in b.entries
    }
    own = re.compile(
        r"^(/old_installations/.*|/(fits/\*/)?ledger/.*|/loadings/.*|/fits/\*/loadings/.*|/craft/limits/envelope.*)$"
    )
    lost = [
        f.pattern
        for f in all_fields()
        if f.figure is not None and issubclass(f.figure, Figure) and f.pattern not in shown and not own.match(f.pattern)
    ]
    assert lost == []


def test_every_block_is_on_some_sheet() -> None:
    titles = {b.title for kind in KINDS.values() for b in sheet(kind)}
    for block in BLOCKS:
        said = re.sub(r"\{[a-z ]+\}", ".+", block.title)
        assert any(re.fullmatch(said, t, re.IGNORECASE) for t in titles), block.title


SHEETS = ("craft", "balance", "drive", "mount", "align", "measure")


# Every sheet of one kind or another, and every kind with one.
@pytest.mark.parametrize(
    ("kind", "what"),
    first_of(
        [(kind, what) for what in SHEETS for kind in KIND_IDS],
        *((KIND_IDS[i % len(KIND_IDS)], what) for i, what in enumerate(SHEETS)),
    ),
)
def test_sheets_come_as_pdf(client: TestClient, kind: str, what: str) -> None:
    id = imported(client, kind)
    reply = client.get(f"/api/projects/{id}/sheets/{what}?fit=a")
    assert reply.status_code == 200 and reply.content.startswith(b"%PDF")
    assert reply.headers["content-type"] == "application/pdf"
    name = DEMO_OF[kind].name.replace(" ", "").lower()
    assert reply.headers["content-disposition"] == f'inline; filename="{name}-{what}.pdf"'


def test_a_sheet_that_is_not_there(client: TestClient) -> None:
    id = imported(client, "boat")
    assert client.get(f"/api/projects/{id}/sheets/none-such").status_code == 422
    assert client.get(f"/api/projects/{id}/sheets/balance?fit=zz").status_code in (404, 422)
    assert client.get("/api/projects/none/sheets/balance").status_code in (404, 422)
    assert client.get(f"/api/projects/{id}/sheets/balance?units=stone").status_code == 422


SHEET = "Left main\t300\t12.0\nTail\t60\t200\nTotal\t360"


def test_an_old_weight_sheet_becomes_an_edit_and_nothing_is_saved_before(client: TestClient) -> None:
    id = start(client, kind="aeroplane", layout="tailwheel").json()["id"]
    reply = client.post(f"/api/projects/{id}/weight-sheet", json={"text": SHEET, "units": "in-lb"}).json()
    assert (reply["rows"], reply["note"]) == (2, "1 total lines left out.")
    assert client.get(f"/api/projects/{id}").json()["revision"] == 1
    body = {"base": 1, "summary": "old weight sheet", "operations": reply["operations"]}
    assert client.patch(f"/api/projects/{id}", json=body).status_code == 200
    found_as = client.get(f"/api/projects/{id}").json()["document"]["craft"]["as_found"]
    assert found_as["method"] == "report"
    assert found_as["report_mass"]["si"] == pytest.approx(360 * 0.45359237, abs=5e-4)
    assert found_as["report_station"]["si"] == pytest.approx((3600 + 12000) / 360 * 0.0254, abs=5e-5)
    again = client.post(f"/api/projects/{id}/weight-sheet", json={"text": SHEET, "units": "in-lb"}).json()
    assert {o["op"] for o in again["operations"]} == {"replace"}


def test_a_weight_sheet_that_does_not_add_up_is_refused_with_its_line(client: TestClient) -> None:
    id = start(client, kind="aeroplane").json()["id"]
    bad = client.post(f"/api/projects/{id}/weight-sheet", json={"text": "Tail\t60\t200\t99000", "units": "in-lb"})
    assert bad.status_code == 422
    assert "line 1, 'Tail': the moment is not weight times arm" in bad.text and "12000" in bad.text


def test_sections_of_a_hull_go_out_and_come_in_and_a_bad_line_is_named(client: TestClient) -> None:
    id = imported(client, "boat")
    out = client.get(f"/api/projects/{id}/exports/offsets").json()["text"]
    reply = client.post(f"/api/projects/{id}/offsets", json={"text": out, "units": "mm-kg"}).json()
    assert reply["sections"] == 11 and [o["op"] for o in reply["operations"]] == ["replace"]
    body = {"base": 1, "summary": "sections", "operations": reply["operations"]}
    before = client.get(f"/api/projects/{id}?fit=a").json()["assessment"]["values"]
    after = client.patch(f"/api/projects/{id}?fit=a", json=body).json()["assessment"]["values"]
    assert [v["si"] for v in after] == pytest.approx([v["si"] for v in before], nan_ok=True)
    bad = client.post(f"/api/projects/{id}/offsets", json={"text": "400; 0, 25; 90, high", "units": "mm-kg"})
    assert bad.status_code == 422 and bad.json()["pointer"] == "/text" and "line 1, height" in bad.json()["detail"]


@pytest.mark.parametrize(("kind", "fit"), [("boat", "b"), ("motorcycle", "a"), ("scooter", "b"), ("road-vehicle", "b")])
def test_every_kind_is_placed_over_http(client: TestClient, kind: str, fit: str) -> None:
    id = imported(client, kind)
    placed = client.post(f"/api/projects/{id}/placement?fit={fit}", json={"forward": "0 mm", "aft": "0 mm"}).json()
    assert placed["solutions"] and placed["keeps"] and placed["best_margin_si"] is None
    for s in placed["solutions"]:
        assert all("/packs/" in o["path"] for o in s["operations"])
        changed = client.post(f"/api/projects/{id}/preview?fit={fit}", json={"operations": s["operations"]})
        assert changed.status_code == 200 and changed.json()["changed"]


def test_a_pack_is_given_a_space_that_is_there_or_is_refused_at_its_field(client: TestClient) -> None:
    id = imported(client, "motorcycle")
    pointer = "/fits/a/installations/main/packs/side/space"
    for value, status in (("attic", 422), ("cradle", 200)):
        body = {"base": 1, "summary": "space", "operations": [{"op": "replace", "path": pointer, "value": value}]}
        reply = client.patch(f"/api/projects/{id}?fit=a", json=body)
        assert reply.status_code == status, reply.text
        if status == 422:
            assert reply.json()["pointer"] == pointer and "cradle" in reply.json()["allowed"]


@pytest.mark.parametrize("kind", KIND_IDS)
def test_candidates_are_compared_over_http_and_the_choose_sheet_is_printed(client: TestClient, kind: str) -> None:
    id = imported(client, kind)
    made = client.get(f"/api/projects/{id}/comparison")
    assert made.status_code == 200, made.text
    fits = list(DEMO_OF[kind].fits)
    assert [c["id"] for c in made.json()["candidates"]] == ["none", *fits] and made.json()["best"] in fits
    page = client.get(f"/api/projects/{id}/sheets/choose?fit=a")
    assert page.status_code == 200 and page.content.startswith(b"%PDF")


def test_a_new_project_is_not_scored_and_says_why(client: TestClient) -> None:
    id = start(client, kind="boat", layout="single screw").json()["id"]
    made = client.get(f"/api/projects/{id}/comparison").json()
    assert made["best"] == "" and "all weights are zero" in made["refused"]


def test_bad_lines_of_money_and_ratings_are_refused_at_their_field(client: TestClient) -> None:
    id = imported(client, "aeroplane")
    for path, value in (
        ("/fits/a/money/line-1/week", "week 48"),
        ("/fits/a/money/line-1/planned", {"entered": "-5"}),
        ("/fits/a/money/line-1/wait", {"entered": "9 kg"}),
        ("/fits/a/installations/main/unit/parts", {"entered": "0"}),
        ("/fits/a/installations/main/unit/ports/fuel/kind", "rapeseed"),
        ("/fits/a/installations/main/unit/ports/mounting/bolts", {"entered": "2.5"}),
    ):
        body = {"base": 1, "summary": "bad", "operations": [{"op": "replace", "path": path, "value": value}]}
        reply = client.patch(f"/api/projects/{id}?fit=a", json=body)
        assert reply.status_code == 422 and reply.json()["pointer"].startswith(path), (path, reply.text)
