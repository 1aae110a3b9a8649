"""Fixtures that several folders share."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path

import pytest
from fastapi.testclient import TestClient
from hypothesis import HealthCheck, settings

from crooked_keel.api.app import create_app
from crooked_keel.api.service import Service
from crooked_keel.core.document import Project, apply_operations
from crooked_keel.demo import lapwing
from crooked_keel.store.store import Store

# A slow machine is not a fault of the code: no example has a deadline.
settings.register_profile("house", deadline=None, suppress_health_check=[HealthCheck.too_slow])
settings.load_profile("house")


def made_lapwing() -> Project:
    """The demonstration document."""
    return apply_operations(Project(name=lapwing.NAME), lapwing.operations())


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


@pytest.fixture
def client(tmp_path: Path) -> Iterator[TestClient]:
    app = create_app(tmp_path / "served")
    with TestClient(app, raise_server_exceptions=False) as made:
        yield made
    app.state.service.store.close()
