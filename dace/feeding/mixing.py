"""Mixing a can of one source or several, each drawn from its jar."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime

from dace.core import api as core
from dace.core.api import DaceError, Source, amount_words, shown
from dace.feeding.models import Can, CanPart
from dace.feeding.reads import jars_with_stock
from dace.feeding.verdicts import verdict_of
from dace.garden.models import Water
from dace.garden.reads import StandRecord, core_water
from dace.garden.reads import stand as stand_now
from dace.households.keeping import new_row
from dace.households.scope import ConflictError, NotFoundError, Scope
from dace.measuring.models import Subject
from dace.measuring.services import subject_of
from dace.shelf.reads import compositions_now, source_of


@dataclass(frozen=True)
class NewSource:
    """A further source of a can: which jar, how strong, as typed or in mL or g a litre."""

    jar_id: uuid.UUID
    strength: str | float
    reading: int = 0


@dataclass(frozen=True)
class NewCan:
    """A can as said: which jar, which water, how large, how strong, and what else goes in.

    ``strength`` is as typed, or mL or g a litre.
    """

    id: uuid.UUID
    jar_id: uuid.UUID
    water_id: uuid.UUID
    vessel_l: float
    strength: str | float
    reading: int = 0
    measures: str = "metric"
    more: tuple[NewSource, ...] = ()

    @property
    def jar_ids(self) -> tuple[uuid.UUID, ...]:
        """Every jar that is poured from, in order."""
        return (self.jar_id, *(one.jar_id for one in self.more))


@dataclass(frozen=True)
class Whom:
    """Whom a can is for: where they stand, the share of their wish they get, the measures.

    ``target`` is None where no stop is chosen.
    """

    target: StandRecord | None
    share: float = 1.0
    owned: tuple[core.Owned, ...] = ()


@dataclass(frozen=True)
class Mixed:
    """A can as said, its jars and water, and what that comes to."""

    new: NewCan
    sources: tuple[Source, ...]
    water: Water
    can: core.Mixture


def sources_of(scope: Scope, jar_ids: Sequence[uuid.UUID]) -> tuple[Source, ...]:
    """Some jars in the order in which they are poured; one query, two with bottles among them.

    Raises
    ------
    NotFoundError
        If one is none of this household's, or was put away.
    DaceError
        If one does not dissolve, or is named twice.
    """
    if len(set(jar_ids)) < len(jar_ids):
        raise DaceError("more", "the same jar twice", "say all of it at once")
    there = {jar.pk: (jar, stock) for jar, stock in jars_with_stock(scope)}
    if not all(jar_id in there for jar_id in jar_ids):
        raise NotFoundError("jar_id", "an id of no jar here", "choose a jar from the shelf")
    rows = [there[jar_id] for jar_id in jar_ids]
    for jar, _ in rows:
        if not jar.dissolves:
            said = f"{jar.name}, which does not dissolve"
            raise DaceError("jar_id", said, "spread it dry, or choose another jar")
    feeds = compositions_now([jar for jar, _ in rows])
    return tuple(source_of(jar, feeds[jar.pk], stock) for jar, stock in rows)


def can_asked(
    new: NewCan, sources: Sequence[Source], water: core.WaterIons, whom: Whom
) -> core.CanAsked:
    """A can as the core is asked for it, to look at or to write down."""
    first, *others = sources
    target = whom.target
    return core.CanAsked(
        strength=new.strength,
        feed=first.feed,
        water=water,
        vessel_l=new.vessel_l,
        measures=new.measures,
        crop=target.crop if target else None,
        stage=target.stage if target else None,
        stock=first.stock,
        reading=new.reading,
        owned=whom.owned,
        g_per_ml=first.g_per_ml,
        tokens=first.tokens,
        setting=target.setting if target else "pot",
        share=whom.share,
        name=first.name,
        beside=tuple(
            core.Beside(
                one.name,
                said.strength,
                one.feed,
                one.stock,
                said.reading,
                one.g_per_ml,
                one.tokens,
            )
            for one, said in zip(others, new.more, strict=True)
        ),
    )


def whom_now(scope: Scope, stand_id: uuid.UUID) -> Whom:
    """A stand with the share of its wish that its verdict gives it."""
    target = stand_now(scope, stand_id)
    verdict = verdict_of(scope, target.fill_id)
    return Whom(target, verdict.share if verdict else 1.0)


def mix(scope: Scope, new: NewCan, mixed_at: datetime, stand_id: uuid.UUID) -> Can:
    """Write a can down with all that went into it; part of a change that stands open.

    Raises
    ------
    ConflictError
        If it was mixed already.
    DaceError
        If a strength cannot be read, or a jar holds too little.
    """
    if Can.objects.written_before(scope, new.id) is not None:
        raise ConflictError("id", "a can that was mixed already", "pour the rest of it instead")
    sources = sources_of(scope, new.jar_ids)
    water = Water.objects.fetch(scope, new.water_id, "water_id")
    # only "what suits" hangs on the verdict, which is the dear part of it
    wish = isinstance(new.strength, str) and any(
        one.kind == "wish" for one in core.parse_strength(new.strength, new.measures)
    )
    whom = whom_now(scope, stand_id) if wish else Whom(stand_now(scope, stand_id))
    asked = can_asked(new, sources, core_water(water), whom)
    mixed = core.answer(asked).can
    return write_can(scope, Mixed(new, sources, water, mixed), mixed_at)


def write_can(scope: Scope, found: Mixed, mixed_at: datetime) -> Can:
    """The rows of a can that was worked out, each source drawn from its jar."""
    new = found.new
    for source, part in zip(found.sources, found.can.parts, strict=True):
        _check_stock(source, part)
    can = can_row(scope, found, subject_of(scope, new.id, Subject.Kind.CAN), mixed_at)
    can.save(force_insert=True)
    for row in part_rows(scope, found, can):
        row.save(force_insert=True)
    return can


def can_row(scope: Scope, found: Mixed, subject: Subject, mixed_at: datetime) -> Can:
    """A can that was worked out, as it will be written."""
    new, mixed = found.new, found.can
    return Can(
        **new_row(scope, new.id),
        subject=subject,
        water=found.water,
        vessel_l=mixed.vessel_l,
        said=_said(found),
        ratio=_ratio(mixed),
        ec_low=mixed.ec.low,
        ec_likely=mixed.ec.value,
        ec_high=mixed.ec.high,
        mg_l={name: round(result.value, 3) for name, result in mixed.nutrients},
        mixed_at=mixed_at,
    )


def _said(found: Mixed) -> str:
    """How it was asked for: as typed, or as a number is said."""
    told, first = found.new.strength, found.can.parts[0]
    return told.strip() if isinstance(told, str) else core.format_strength(told, first.unit)


def part_rows(scope: Scope, found: Mixed, can: Can) -> list[CanPart]:
    """What goes into a can from each jar, as it will be written."""
    return [
        CanPart(
            **new_row(scope, uuid.uuid5(found.new.id, f"part {turn}")),
            can=can,
            jar_id=uuid.UUID(source.key),
            amount=part.amount,
        )
        for turn, (source, part) in enumerate(zip(found.sources, found.can.parts, strict=True), 1)
    ]


_RATIO_LONG = 20


def _ratio(mixed: core.Mixture) -> str:
    """How strong it is in a few characters: that of its first source, and that there are more."""
    first = core.format_strength(mixed.parts[0].per_l, mixed.parts[0].unit)
    more = len(mixed.parts) - 1
    return f"{first}, {more} more"[:_RATIO_LONG] if more else first


def _check_stock(source: Source, part: core.PouredPart) -> None:
    if part.amount > source.stock:
        fits = source.stock / part.per_l
        raise DaceError(
            "strength",
            f"{amount_words(part.amount, part.unit)} of a jar that holds "
            f"{amount_words(source.stock, part.unit)}",
            f"a can of {shown.litres(fits, 2)} at this strength fits"
            if fits > 0
            else "choose another jar",
        )
