"""A project with its records and photographs as one archive that can be imported again.

A ZIP of `project.keel.json` (the document as stored), `records.json` and `photos/<what it contains>.jpg`."""

from __future__ import annotations

import io
import json
import zipfile
from collections.abc import Iterable
from datetime import datetime
from hashlib import sha256
from typing import Any, NamedTuple

from ..core.document import Project, load, plain
from ..core.document.files import parse_json
from ..core.errors import InputError
from ..core.facts import read_record
from .photos import Made, read_photo

DOCUMENT, RECORDS, PHOTOS = "project.keel.json", "records.json", "photos/"
# Of an archive that is unpacked: no project is larger.
MOST_BYTES, MOST_FILES = 1_200_000_000, 20_000
_ALLOWED = "an archive that this application wrote"


class Unpacked(NamedTuple):
    """What an archive holds, checked: the document, records with their moments, photographs."""

    document: Project
    records: list[tuple[str, datetime, dict[str, Any]]]
    photos: list[Made]


def pack(
    document: bytes, records: Iterable[tuple[str, str, dict[str, Any]]], photos: Iterable[tuple[str, bytes]]
) -> bytes:
    """The archive. records: kind, moment, what it says, in their order; photos: by what they contain."""
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as made:
        made.writestr(DOCUMENT, document)
        rows = [{"kind": k, "at": at, "record": said} for k, at, said in records]
        made.writestr(RECORDS, json.dumps({"records": rows}, ensure_ascii=False, allow_nan=False))
        for file, data in photos:
            made.writestr(zipfile.ZipInfo(f"{PHOTOS}{file}.jpg"), data)
    return out.getvalue()


def unpack(raw: bytes) -> Unpacked:
    """An archive, everything in it checked. Raises InputError: no archive, a part that is missing or not as it was."""
    try:
        archive = zipfile.ZipFile(io.BytesIO(raw))
        infos = archive.infolist()
        if len(infos) > MOST_FILES or sum(i.file_size for i in infos) > MOST_BYTES:
            raise InputError("/file", "the archive is too large unpacked", allowed=_ALLOWED)
        parts = {i.filename: archive.read(i) for i in infos if not i.is_dir()}
    except (zipfile.BadZipFile, NotImplementedError, RuntimeError, EOFError, ValueError, OSError) as bad:
        if isinstance(bad, InputError):
            raise
        raise InputError("/file", "this is not a whole archive", allowed=_ALLOWED) from None
    if DOCUMENT not in parts:
        raise InputError("/file", f"there is no {DOCUMENT} in it", allowed=_ALLOWED)
    return Unpacked(load(parts[DOCUMENT]), _records(parts.get(RECORDS, b'{"records": []}')), _photos(parts))


def _records(raw: bytes) -> list[tuple[str, datetime, dict[str, Any]]]:
    read = parse_json(raw, "list of records")
    rows = read.get("records") if isinstance(read, dict) else None
    if not isinstance(rows, list):
        raise InputError("/records", "the list of records is not one", allowed=_ALLOWED)
    made = []
    for i, row in enumerate(rows, 1):
        try:
            kind, at, said = str(row["kind"]), datetime.fromisoformat(row["at"]), row["record"]
        except (KeyError, TypeError, ValueError):
            raise InputError("/records", f"record {i} has no kind, moment or content", allowed=_ALLOWED) from None
        if at.tzinfo is None or not isinstance(said, dict):
            raise InputError("/records", f"record {i} has no moment with its zone", allowed=_ALLOWED)
        if kind != "weighing":
            try:
                said = plain(read_record(said))
            except InputError as bad:
                where = f"/records/{i}{bad.field}"
                raise InputError(where, bad.message, given=bad.given, allowed=bad.allowed) from None
        made.append((kind, at, said))
    return made


def _photos(parts: dict[str, bytes]) -> list[Made]:
    made = []
    for name, data in parts.items():
        if not name.startswith(PHOTOS):
            continue
        file = name.removeprefix(PHOTOS).removesuffix(".jpg")
        if sha256(data).hexdigest() != file:
            raise InputError("/photos", "a photograph is not as it was", given=name[:80], allowed=_ALLOWED)
        read = read_photo(data)
        # As it was kept: its name is what it contains, and records name it.
        made.append(read._replace(file=file, data=data))
    return made
