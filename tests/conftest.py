"""Fixtures that several folders share."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Iterator
from pathlib import Path
from typing import Any

import pytest
from fastapi import FastAPI
from fastapi.testclient import TestClient
from hypothesis import HealthCheck, settings

from crooked_keel.api.app import create_app, open_folder
from crooked_keel.api.service import Service
from crooked_keel.cli import settle_collector
from crooked_keel.core.assess import Assessment
from crooked_keel.core.document import Project, apply_operations, value_at
from crooked_keel.core.document.fields import figure_pointers
from crooked_keel.core.judging.finding import Finding
from crooked_keel.core.reference.kinds import KINDS, new_project
from crooked_keel.demo import lapwing
from crooked_keel.demo.seed import DEMOS, made
from crooked_keel.store.store import Store

# A slow machine is not a fault of the code: no example has a deadline.
# `make test-long` (pytest --long) draws as many examples as one wants to wait for.
_HOUSE = {"deadline": None, "suppress_health_check": [HealthCheck.too_slow]}
settings.register_profile("house", max_examples=25, **_HOUSE)
settings.register_profile("long", max_examples=1500, **_HOUSE)


def pytest_addoption(parser: pytest.Parser) -> None:
    parser.addoption("--long", action="store_true", help="many random examples")


def pytest_configure(config: pytest.Config) -> None:
    config.addinivalue_line("markers", "long: one more of many alike, asked with --long alone")
    settings.load_profile("long" if config.getoption("--long") else "house")


def pytest_collection_modifyitems(config: pytest.Config, items: list[pytest.Item]) -> None:
    if config.getoption("--long"):
        return
    left = [i for i in items if i.get_closest_marker("long") is not None]
    config.hook.pytest_deselected(items=left)
    items[:] = [i for i in items if i not in left]


def first_of(names: Iterable[Any], *always: Any) -> list[Any]:
    """Parameters of a test that asks the same of many: these always, the others with --long."""

    def one(name: Any) -> Any:
        values = name if isinstance(name, tuple) else (name,)
        return pytest.param(*values, marks=() if name in always else pytest.mark.long)

    return [one(name) for name in names]


@pytest.fixture
def examples(request: pytest.FixtureRequest) -> int:
    """How many random steps a test takes that draws its own."""
    return 1500 if request.config.getoption("--long") else 25


@pytest.fixture
def some(request: pytest.FixtureRequest) -> Callable[..., Any]:
    """One of so many, from a first one on; all of them with --long."""

    def taken(of: Iterable[Any], every: int, first: int = 0) -> list[Any]:
        return list(of) if request.config.getoption("--long") else list(of)[first % every :: every]

    return taken


def made_lapwing() -> Project:
    """The demonstration document of the aeroplane."""
    return apply_operations(Project(name=lapwing.NAME), lapwing.operations())


# Every demonstration by its kind of craft.
DEMO_OF: dict[str, Project] = {kind: made(kind, demo) for kind, demo in DEMOS}
KIND_IDS = sorted(DEMO_OF)
# As the application itself does: else half of the time of the tests goes into walking all of it for garbage.
settle_collector()


def put(project: Project, figures: dict[str, Any]) -> Project:
    """The document with figures put in, or taken out where the value is None."""
    return apply_operations(
        project,
        [
            {"op": "remove", "path": p}
            if v is None
            else {"op": "replace" if value_at(project, p) is not None else "add", "path": p, "value": v}
            for p, v in figures.items()
        ],
    )


# A motor hung on the face of a kept gearbox, its adapter read by a dial: on wheels no demonstration has one.
_KEPT_BOX: dict[str, Any] = {
    "/fits/b/installations/main/mount/face": {
        "overhang": "178 mm",
        "bolts": "6",
        "bolt_circle": "300 mm",
        "support_behind": "100 mm",
        "third_at": "300 mm",
    },
    "/fits/b/installations/main/align/runout": {
        f"at_{angle}": text
        for angle, text in zip(
            range(0, 360, 45),
            ("0.04 mm", "0.02 mm", "0 mm", "-0.01 mm", "0.01 mm", "0.03 mm", "0.05 mm", "0.05 mm"),
            strict=True,
        )
    },
}
DEMO_OF["road-vehicle"] = put(DEMO_OF["road-vehicle"], _KEPT_BOX)


def bare(
    kind: str, figures: dict[str, Any] | None = None, layout: str | None = None, template: bool = False
) -> Project:
    """A new project of a kind; without its template figures, so that only what is put in is known."""
    made_of = KINDS[kind]
    document = apply_operations(
        Project(name="bare", kind=kind), new_project(kind, "bare", layout or made_of.layouts[0], "unit", "mm-kg")
    )
    if not template:
        document = apply_operations(
            document, [{"op": "remove", "path": p} for p in figure_pointers(document) if "/envelope/" not in p]
        )
        # Nor does anything stand in for what is blank.
        document = apply_operations(document, [{"op": "remove", "path": "/rough"}])
    return put(document, figures or {})


def value(made: Assessment, id: str) -> float:
    """A headline value that can be said."""
    found = next(v for v in made.values if v.id == id)
    assert found.si is not None, f"{id}: needs {[n.what for n in found.needs]}"
    return found.si


def finding(made: Assessment, key: str) -> Finding:
    """A finding by its key."""
    return next(f for f in made.findings if f.key == key)


def revision(client: TestClient, id: str) -> int:
    """The revision that a window has in view."""
    return int(client.get(f"/api/projects/{id}").json()["revision"])


@pytest.fixture(scope="session")
def project() -> Project:
    return made_lapwing()


@pytest.fixture
def store(tmp_path: Path) -> Iterator[Store]:
    made = Store(tmp_path / "data")
    yield made
    made.close()


@pytest.fixture
def service(store: Store) -> Service:
    return Service(store)


@pytest.fixture(scope="session")
def application() -> FastAPI:
    """The application of all tests: what it takes to stand it up is paid once."""
    return create_app()


@pytest.fixture
def client(application: FastAPI, tmp_path: Path) -> Iterator[TestClient]:
    """The application on an empty folder."""
    open_folder(application, tmp_path / "served")
    with TestClient(application, "http://localhost", raise_server_exceptions=False) as made:
        yield made
    application.state.service.store.close()
