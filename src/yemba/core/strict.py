"""The base of typed values."""

from pydantic import BaseModel, ConfigDict


class Strict(BaseModel):
    """Frozen, and refuses what it does not know."""

    model_config = ConfigDict(extra="forbid", frozen=True)
