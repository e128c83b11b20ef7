"""Errors that say what was read and what would do."""


class DaceError(ValueError):
    """Something that was given cannot be used.

    Parameters
    ----------
    field : str
        Name of the argument, as the caller spelt it (``"strength"``).
    read : str
        What was read, in words a gardener would use.
    would_do : str
        What would be accepted instead.
    """

    def __init__(self, field: str, read: str, would_do: str) -> None:
        self.field = field
        self.read = read
        self.would_do = would_do
        super().__init__(f"{field}: read {read}; {would_do}")

    @property
    def sentence(self) -> str:
        """The plain sentence shown beside the field."""
        return f"Read {self.read}; {self.would_do.rstrip('.')}."


class FigureError(DaceError):
    """A shipped table holds a row that its own rules refuse."""


class WhoseMeasureError(DaceError):
    """A kitchen measure that differs from land to land, and nobody said whose."""


class UnknownOxideError(DaceError):
    """An oxide that no label prints, or that Dace does not know."""
