"""How a request is read: strictly, so that whatever is let in can be stored and given back."""

from __future__ import annotations

import json
from collections.abc import Callable, Coroutine
from typing import Any

from fastapi import Request, Response
from fastapi.routing import APIRoute

from ..core.document.files import no_constant

# What a double can hold; a longer one is no figure that anybody typed.
_MOST_DIGITS = 18


def _whole(text: str) -> int:
    if len(text) > _MOST_DIGITS:
        raise ValueError(f"a number of {len(text)} digits")
    return int(text)


class _StrictRequest(Request):
    async def json(self) -> Any:
        """The body as JSON. Raises json.JSONDecodeError: not JSON, NaN or an infinity, a number without end, half a
        character."""
        if not hasattr(self, "_json"):
            raw = await self.body()
            try:
                made = json.loads(raw, parse_constant=no_constant, parse_int=_whole)
                if b"\\u" in raw.lower():
                    json.dumps(made, ensure_ascii=False).encode()
            except json.JSONDecodeError:
                raise
            except (ValueError, RecursionError) as bad:
                raise json.JSONDecodeError(str(getattr(bad, "message", bad))[:120], "", 0) from None
            self._json = made
        return self._json


class StrictRoute(APIRoute):
    """A route whose bodies are read strictly."""

    def get_route_handler(self) -> Callable[[Request], Coroutine[Any, Any, Response]]:
        """The handler, given a request that reads strictly."""
        handler = super().get_route_handler()

        async def strictly(request: Request) -> Response:
            return await handler(_StrictRequest(request.scope, request.receive))

        return strictly
