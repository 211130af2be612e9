"""The app over a temporary data folder, called in process."""

from collections.abc import Iterator
from pathlib import Path

import pytest
from fastapi.testclient import TestClient

from obtegum.api.app import make_app
from obtegum.api.guard import TOKEN_HEADER
from obtegum.store import Store, open_store


def page_client(store: Store, **linked: object) -> TestClient:
    """A page of the server's own: it has this start's token."""
    app = make_app(store, **linked)  # type: ignore[arg-type]
    return TestClient(
        app,
        base_url="http://127.0.0.1",
        headers={TOKEN_HEADER: app.state.token},
        raise_server_exceptions=False,
    )


@pytest.fixture
def store(tmp_path: Path) -> Iterator[Store]:
    opened = open_store(tmp_path / "data")
    yield opened
    opened.close()


@pytest.fixture
def client(store: Store) -> TestClient:
    return page_client(store)
