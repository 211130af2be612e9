"""The base of every value in the core: frozen, nothing unknown, nothing infinite."""

from collections.abc import Mapping
from typing import Any

from pydantic import BaseModel, ConfigDict

__all__ = ["KeptPart", "Part"]


class Part(BaseModel):
    """A frozen value. Unknown names are refused; so are NaN and infinity."""

    model_config = ConfigDict(frozen=True, extra="forbid", allow_inf_nan=False)


class KeptPart(Part):
    """A part of a house that was once kept in another form."""

    @classmethod
    def as_kept_now(cls, data: Mapping[str, Any]) -> Mapping[str, Any]:
        """Stored data of an earlier form in today's. Raises: pydantic.ValidationError when it can't be read."""
        raise NotImplementedError
