"""The base of every value in the core: frozen, nothing unknown, nothing infinite."""

from pydantic import BaseModel, ConfigDict

__all__ = ["Part"]


class Part(BaseModel):
    """A frozen value. Unknown names are refused; so are NaN and infinity."""

    model_config = ConfigDict(frozen=True, extra="forbid", allow_inf_nan=False)
