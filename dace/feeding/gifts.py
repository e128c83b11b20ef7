"""What plants were given: doses and dressings alike, mg for each plant."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import datetime, timedelta

from dace.core import api as core
from dace.core.api import NUTRIENTS, Content, amount_words, shown
from dace.feeding.models import CanPart, Dose, Dressing, Spray
from dace.households.scope import Scope
from dace.shelf.models import Jar
from dace.shelf.reads import content_of, tokens_of

_CAN_KEEPS = timedelta(days=7)
_NOTHING = (0.0,) * len(NUTRIENTS)


@dataclass(frozen=True)
class GiftRecord:
    """One dose, spray or dressing on one stand: mg for each of its plants, at once and later."""

    id: uuid.UUID
    source: str
    planting_id: uuid.UUID
    fill_id: uuid.UUID
    at: datetime
    name: str
    words: str
    at_once: tuple[float, ...]
    later: tuple[float, ...]
    half_life_days: float
    tokens: frozenset[str]

    @property
    def nitrogen_mg(self) -> float:
        """All nitrogen that it brings to each plant [mg]."""
        return self.at_once[0] + self.later[0]


@dataclass(frozen=True)
class DropRecord:
    """A gift as the season draws it: when, what, and the nitrogen for each plant [mg]."""

    planting_id: uuid.UUID
    source: str
    at: datetime
    text: str
    nitrogen_mg: float


def drops(scope: Scope, since: datetime) -> tuple[DropRecord, ...]:
    """Everything given since an instant, oldest first, by its nitrogen; four queries."""
    names: dict[uuid.UUID, str] = {}
    parts = CanPart.objects.of(scope).filter(can__mixed_at__gte=since - _CAN_KEEPS)
    for can_id, name in parts.values_list("can_id", "jar__name"):
        names[can_id] = f"{names[can_id]}, {name}" if can_id in names else name
    rows = (
        Dose.objects.of(scope)
        .filter(poured_at__gte=since)
        .values_list(
            "stand__planting_id",
            "poured_at",
            "litres_each",
            "plants",
            "stand__count",
            "can_id",
            "can__ratio",
            "can__mg_l__N",
        )
    )
    found = [
        DropRecord(
            planting_id,
            "doses",
            at,
            f"{names.get(can_id, 'a can')}, {shown.litres(litres)} each at {ratio}",
            float(n) * litres * min(1.0, plants / count),
        )
        for planting_id, at, litres, plants, count, can_id, ratio, n in rows
    ]
    dressings = Dressing.objects.of(scope).select_related("jar", "stand")
    for gift in map(_dressing, dressings.filter(given_at__gte=since)):
        text = f"{gift.name}, {gift.words}"
        found.append(DropRecord(gift.planting_id, gift.source, gift.at, text, gift.nitrogen_mg))
    sprays = Spray.objects.of(scope).filter(sprayed_at__gte=since).select_related("can", "stand")
    for gift in (_spray(row, names.get(row.can_id, "a can")) for row in sprays):
        text = f"{gift.name}, {gift.words}"
        found.append(DropRecord(gift.planting_id, gift.source, gift.at, text, gift.nitrogen_mg))
    return tuple(sorted(found, key=lambda drop: drop.at))


def gifts(
    scope: Scope, since: datetime | None = None, planting_id: uuid.UUID | None = None
) -> tuple[GiftRecord, ...]:
    """Everything given, oldest first; five queries."""
    doses = Dose.objects.of(scope).select_related("can", "stand")
    dressings = Dressing.objects.of(scope).select_related("jar", "stand")
    sprays = Spray.objects.of(scope).select_related("can", "stand")
    if since is not None:
        doses, dressings = doses.filter(poured_at__gte=since), dressings.filter(given_at__gte=since)
        sprays = sprays.filter(sprayed_at__gte=since)
    if planting_id is not None:
        doses = doses.filter(stand__planting_id=planting_id)
        dressings = dressings.filter(stand__planting_id=planting_id)
        sprays = sprays.filter(stand__planting_id=planting_id)
    found = [_dose(row) for row in doses.prefetch_related("can__parts__jar")]
    found += [_dressing(row) for row in dressings]
    for row in sprays.prefetch_related("can__parts__jar__brew"):
        parts = list(row.can.parts.all())
        named = ", ".join(part.jar.name for part in parts)
        found.append(_spray(row, named, _tokens(parts) | {"route:foliar"}))
    return tuple(sorted(found, key=lambda gift: gift.at))


def _dose(row: Dose) -> GiftRecord:
    parts = list(row.can.parts.all())
    reached = row.litres_each * min(1.0, row.plants / row.stand.count)
    return GiftRecord(
        id=row.pk,
        source="doses",
        planting_id=row.stand.planting_id,
        fill_id=row.fill_id,
        at=row.poured_at,
        name=", ".join(part.jar.name for part in parts),
        words=f"{shown.litres(row.litres_each)} each at {row.can.ratio}",
        at_once=tuple(row.can.mg_l[n] * reached for n in NUTRIENTS),
        later=_NOTHING,
        half_life_days=1.0,
        tokens=_tokens(parts),
    )


def _tokens(parts: list[CanPart]) -> frozenset[str]:
    return frozenset().union(*(tokens_of(part.jar) for part in parts))


def entered_mg(row: Spray) -> tuple[float, ...]:
    """What a spray brought into each plant of its stand [mg], likely."""
    share = min(1.0, row.plants / row.stand.count)
    return tuple(row.entered[n][1] * share for n in NUTRIENTS)


def _spray(row: Spray, name: str, tokens: frozenset[str] = frozenset()) -> GiftRecord:
    return GiftRecord(
        id=row.pk,
        source="sprays",
        planting_id=row.stand.planting_id,
        fill_id=row.fill_id,
        at=row.sprayed_at,
        name=name,
        words=f"on leaves at {row.can.ratio}",
        at_once=entered_mg(row),
        later=_NOTHING,
        half_life_days=1.0,
        tokens=tokens,
    )


def _dressing(row: Dressing) -> GiftRecord:
    content, grams = content_of_dry(row.jar, row.material), row.grams / row.stand.count
    name = row.jar.name if row.jar else core.material(row.material).name
    return GiftRecord(
        id=row.pk,
        source="dressings",
        planting_id=row.stand.planting_id,
        fill_id=row.fill_id,
        at=row.given_at,
        name=name,
        words=f"{row.said}, {amount_words(row.grams, 'g')} in all",
        at_once=tuple(grams * mg for mg in content.at_once),
        later=tuple(grams * mg for mg in content.later),
        half_life_days=content.half_life_days,
        tokens=tokens_of_dry(row.jar, row.material),
    )


def content_of_dry(jar: Jar | None, material: str) -> Content:
    """What a gram of a dry feed brings: by its label, or by the table of materials."""
    if jar is not None:
        return content_of(jar)
    return core.content_of_material(core.material(material))


def tokens_of_dry(jar: Jar | None, material: str) -> frozenset[str]:
    """What rules may name a dry feed by."""
    return tokens_of(jar) if jar is not None else core.material(material).tokens
