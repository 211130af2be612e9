"""The app over a temporary data folder, called in process."""

from collections.abc import Iterator
from pathlib import Path

import pytest
from fastapi.testclient import TestClient

from obtegum.api.app import make_app
from obtegum.store import Store, open_store


@pytest.fixture
def store(tmp_path: Path) -> Iterator[Store]:
    opened = open_store(tmp_path / "data")
    yield opened
    opened.close()


@pytest.fixture
def client(store: Store) -> TestClient:
    return TestClient(make_app(store), base_url="http://127.0.0.1", raise_server_exceptions=False)
