"""Photographs, archives, papers and tables of the work."""

from __future__ import annotations

import csv
import io
import json
import zipfile
from typing import Any

import pytest
from PIL import Image
from pypdf import PdfReader

from crooked_keel.core.document import dump
from crooked_keel.core.errors import InputError
from crooked_keel.core.facts import Facts, Kept, read_record
from crooked_keel.demo.seed import DEMOS, made, records
from crooked_keel.exchange.archive import DOCUMENT, RECORDS, pack, unpack
from crooked_keel.exchange.photos import KEPT, SMALL, read_photo
from crooked_keel.exchange.records_table import records_to_csv, records_to_json
from crooked_keel.exchange.work_pdf import paper
from tests.core.told import TODAY
from tests.kept import assess

KIND, DEMO = next((k, d) for k, d in DEMOS if d.NAME == "Samphire")
PROJECT, TOLD = made(KIND, DEMO), records("Samphire")
FACTS = Facts(
    tuple(Kept(n, at.date(), at.isoformat(), read_record(said)) for n, (_, at, said) in enumerate(TOLD, 1)), TODAY
)


def picture(size: tuple[int, int] = (640, 480), kind: str = "JPEG", **more: Any) -> bytes:
    out = io.BytesIO()
    Image.new("RGB", size, (120, 90, 40)).save(out, kind, **more)
    return out.getvalue()


def text_of(pdf: bytes) -> str:
    return "\n".join(p.extract_text() for p in PdfReader(io.BytesIO(pdf)).pages)


class TestPhotographs:
    def test_what_the_camera_wrote_into_it_is_gone_and_it_stands_upright(self) -> None:
        exif = Image.Exif()
        exif[0x0112] = 6  # turned by a quarter
        exif[0x010F] = "a maker"
        exif[0x8825] = {1: "N", 2: (54.0, 0.0, 0.0)}
        made_of_it = read_photo(picture((640, 480), exif=exif))
        again = Image.open(io.BytesIO(made_of_it.data))
        assert (made_of_it.width, made_of_it.height) == (480, 640) == again.size
        assert not again.getexif() and b"a maker" not in made_of_it.data

    def test_a_huge_one_is_kept_smaller_and_a_small_one_is_there(self) -> None:
        made_of_it = read_photo(picture((5000, 3000)))
        assert max(made_of_it.width, made_of_it.height) == KEPT
        assert max(Image.open(io.BytesIO(made_of_it.small)).size) == SMALL

    @pytest.mark.parametrize("kind", ["PNG", "WEBP"])
    def test_other_kinds_are_read(self, kind: str) -> None:
        assert read_photo(picture(kind=kind)).width == 640

    @pytest.mark.parametrize(
        "raw", [b"", b"not a picture", b"\xff\xd8\xff" + b"0" * 50, picture()[:-200] + b"", b"%PDF-1.4"]
    )
    def test_what_is_no_picture_is_refused_with_a_sentence(self, raw: bytes) -> None:
        with pytest.raises(InputError) as bad:
            read_photo(raw)
        assert bad.value.field == "/photo" and bad.value.allowed

    def test_a_picture_of_a_billion_points_is_refused_before_it_is_drawn(self) -> None:
        import struct
        import zlib

        chunk = lambda t, d: struct.pack(">I", len(d)) + t + d + struct.pack(">I", zlib.crc32(t + d))
        head = struct.pack(">IIBBBBB", 40_000, 40_000, 8, 2, 0, 0, 0)
        bomb = b"\x89PNG\r\n\x1a\n" + chunk(b"IHDR", head) + chunk(b"IDAT", zlib.compress(b"")) + chunk(b"IEND", b"")
        with pytest.raises(InputError, match="too large"):
            read_photo(bomb)


class TestArchive:
    def archive(self) -> bytes:
        photo = read_photo(picture())
        return pack(
            dump(PROJECT).encode(), [(k, at.isoformat(), said) for k, at, said in TOLD], [(photo.file, photo.data)]
        )

    def test_out_and_in_again_is_the_same(self) -> None:
        back = unpack(self.archive())
        assert dump(back.document) == dump(PROJECT)
        assert back.records == TOLD and back.photos[0].data == read_photo(picture()).data

    def spoilt(self, **parts: bytes | None) -> bytes:
        whole = zipfile.ZipFile(io.BytesIO(self.archive()))
        out = io.BytesIO()
        with zipfile.ZipFile(out, "w") as made_of_it:
            for name in whole.namelist():
                body = parts.get(name.split("/")[0].split(".")[0], whole.read(name))
                if body is not None:
                    made_of_it.writestr(name, body)
        return out.getvalue()

    def test_what_is_missing_or_changed_is_refused(self) -> None:
        for raw in (b"", b"PK", self.archive()[:500]):
            with pytest.raises(InputError, match="not a whole archive"):
                unpack(raw)
        with pytest.raises(InputError, match=DOCUMENT):
            unpack(self.spoilt(project=None))
        with pytest.raises(InputError, match="not as it was"):
            unpack(self.spoilt(photos=b"another"))
        with pytest.raises(InputError) as bad:
            unpack(self.spoilt(records=json.dumps({"records": [{"kind": "squawk"}]}).encode()))
        assert bad.value.field == "/records"
        with pytest.raises(InputError, match="less than"):
            one = {"kind": "squawk", "at": "2026-01-01T10:00:00+00:00"}
            said = {"kind": "squawk", "by": "x", "fit": "a", "text": "x", "severity": 9}
            unpack(self.spoilt(records=json.dumps({"records": [{**one, "record": said}]}).encode()))

    def test_an_old_archive_without_records_still_opens(self) -> None:
        assert (
            unpack(self.spoilt(records=None)).records == []
            and RECORDS in zipfile.ZipFile(io.BytesIO(self.archive())).namelist()
        )


class TestTables:
    def test_every_record_is_a_row_and_runs_nothing_in_a_spreadsheet(self) -> None:
        rows = list(csv.DictReader(io.StringIO(records_to_csv(FACTS, "a"))))
        assert len(rows) == len(TOLD) and rows[0]["kind"] == "step"
        evil = Facts(
            (
                Kept(
                    1, TODAY, "x", read_record({"kind": "squawk", "by": "=1+1", "fit": "a", "text": "x", "severity": 1})
                ),
            )
        )
        (row,) = csv.DictReader(io.StringIO(records_to_csv(evil, None)))
        assert row["by"] == "'=1+1"

    def test_json_has_them_whole(self) -> None:
        read = json.loads(records_to_json(FACTS, "a"))["records"]
        assert [r["number"] for r in read] == list(range(1, len(TOLD) + 1))
        assert read_record(read[40]["record"]) == FACTS.records[40].of


class TestPapers:
    ASSESSED = assess(PROJECT, "a", facts=FACTS)

    def made(self, which: Any) -> str:
        return text_of(
            paper(which, PROJECT, self.ASSESSED, FACTS, "mm-kg", "29 November 2026", lambda _: picture((64, 48)))
        )

    def test_the_book_holds_all_of_it(self) -> None:
        book = self.made("book")
        for words in (
            "build book",
            "local rules and licensed people decide",
            "Hanger bolt forward",
            "foot bolt",
            "C1 coolant out",
            "Ladder of speeds at sea",
            "aborted",
            "promised by",
            "Not checked",
            "inspected by",
            "Every record",
        ):
            assert words in book, words
        numbers = [str(n) for n in (1, 50, len(TOLD))]
        assert all(n in book for n in numbers)

    def test_the_torque_list_is_in_tightening_order(self) -> None:
        """The cross pattern of four: 1, 3, 2, 4."""
        listed = self.made("torque")
        order = [
            line for line in listed[listed.index("foot bolt") :].splitlines() if line.strip() in {"1", "2", "3", "4"}
        ]
        assert "1324" in "".join(order)

    def test_tags_come_in_pairs_and_holds_have_room_to_sign(self) -> None:
        tags = self.made("tags")
        assert tags.count("F1 fuel feed") == 2 and "F1-A" in tags and "F1-B" in tags
        assert "signature" in self.made("holds") and "surveyor" in self.made("holds")
        assert "F1-A" in self.made("strip") and "old exhaust elbow" in self.made("strip")
        assert "Comes next" in self.made("tasks")

    def test_the_same_day_gives_the_same_bytes(self) -> None:
        one, two = (paper("book", PROJECT, self.ASSESSED, FACTS, "in-lb", "1 May 2027") for _ in range(2))
        assert one == two

    def test_a_fit_with_nothing_written_down_has_papers_too(self) -> None:
        bare = assess(PROJECT, "b")
        for which in ("book", "tasks", "torque", "strip", "holds", "tags"):
            assert paper(which, PROJECT, bare, Facts(), "mm-kg", "1 May 2027").startswith(b"%PDF")  # type: ignore[arg-type]
