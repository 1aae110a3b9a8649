"""Connections that are opened and say nothing are closed: each of them takes a place."""

from __future__ import annotations

import asyncio
from typing import Any

from uvicorn.protocols.http.auto import AutoHTTPProtocol


def impatient(silence_s: float) -> type[Any]:
    """The server's protocol, which lets go of whoever has asked nothing whole for so long."""

    class Impatient(AutoHTTPProtocol):  # type: ignore[valid-type]
        def connection_made(self, transport: asyncio.Transport) -> None:
            super().connection_made(transport)
            self.opening = self.loop.call_later(silence_s, self._let_go)

        def connection_lost(self, exc: Exception | None) -> None:
            self.opening.cancel()
            super().connection_lost(exc)

        def _let_go(self) -> None:
            # Whoever was answered is under the server's own limit for a connection that is kept.
            if self.cycle is None:
                self.transport.close()

    return Impatient
