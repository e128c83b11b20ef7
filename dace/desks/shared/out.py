"""What answers are made of."""

from __future__ import annotations

from pydantic import BaseModel


class Out(BaseModel):
    """Made whole by a desk, and sent as it is.

    Not the framework's own schema: that looks for every field again in what it is given, which
    takes longer than most cans take to work out.
    """
