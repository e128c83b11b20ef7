"""The page of one jar or bottle."""

from __future__ import annotations

import uuid
from zoneinfo import ZoneInfo

from dace.core import api as core
from dace.core.api import say, shown
from dace.desks.shared.advice import advice_out
from dace.desks.shared.figures import rough
from dace.desks.shared.stops import stop_name
from dace.desks.shelf.brew import dilute_words, reading_words
from dace.desks.shelf.schemas import JarCanOut, JarPageOut, JarPouredOut, PartOut, StrengthOut
from dace.feeding.reads import drawn_from, jar_with_stock
from dace.feeding.verdicts import stop_verdicts
from dace.garden.reads import garden_of
from dace.households.scope import Scope
from dace.shelf.as_core import core_recipe
from dace.shelf.bottles import BottleStrength, strengths
from dace.shelf.models import Jar
from dace.shelf.reads import solids_of, tokens_of, whole_of
from dace.shelf.seen import seen_to

_MOST_POURED = 6
_LABEL = ("acid_extract_dilution", "ferment_on_plants", "ash_caustic", "brew_on_salad_crops")


def jar_page(scope: Scope, jar_id: uuid.UUID) -> JarPageOut:
    """A jar in full with the cans it would make; ten queries, twelve for a bottle that was read."""
    jar, stock = jar_with_stock(scope, jar_id)
    kept = strengths(jar) if jar.contents is not None else ()
    feed = core.composition_of_bottle(kept[-1].contents, jar.name) if kept else whole_of(jar)
    unit = "mL" if jar.form == "liquid" else "g"
    per_l = {n: 1000 * feed.element(n) for n in core.NUTRIENTS}
    good: tuple[str, ...] = ()
    does_not: tuple[str, ...] = ()
    dilute = ""
    if kept:
        solids = solids_of(jar)
        ec = kept[-1].contents.ec_ms_cm[1]
        purpose = core.purpose_of(per_l, ec, solids=solids, tokens=tokens_of(jar))
        good, does_not, dilute = purpose.good_for, purpose.does_not, dilute_words(purpose)
    elif jar.made_from is not None:
        dilute = f"Strong: measure it by the mL. {core.amount_words(jar.drawn, _unit_of(jar))} of "
        dilute += f"{jar.made_from.name} in {shown.litres(jar.holds / 1000)}."
    garden = garden_of(scope)
    zone = ZoneInfo(garden.zone)
    return JarPageOut(
        id=jar.pk,
        name=jar.name,
        bottle=_is_bottle(jar),
        dissolves=jar.dissolves,
        grade=feed.label.grade,
        known_by=f"stock of {jar.made_from.name}" if jar.made_from else feed.known_by,
        elements=[
            _element(feed, n, unit, _is_bottle(jar)) for n in core.NUTRIENTS if feed.element(n) > 0
        ],
        weighs=_weighs(jar),
        price_per_n=_price(jar, feed),
        stock_text=core.amount_words(stock, unit),
        use_by=jar.use_by,
        good_for=list(good),
        does_not=list(does_not),
        dilute_text=dilute,
        label_cautions=_label_cautions(jar),
        advice=advice_out(
            core.advise_jar(tokens_of(jar), jar.form == "solid"), jar.pk, seen_to(scope, garden)
        ),
        brew_id=jar.brew_id,
        heap_id=jar.heap_id,
        made_on=jar.created_at.astimezone(zone).date() if _is_bottle(jar) else None,
        subject_id=jar.brew.subject_id if jar.brew is not None else None,
        strength=[_strength(one, jar, zone) for one in kept],
        share=min(1.0, stock / jar.holds),
        form=jar.form,
        suits=_suits(scope, jar),
        not_for=core.stops_of(tokens_of(jar)),
        usual=_usual(jar),
        poured=[
            JarPouredOut(on=at.astimezone(zone).date(), text=text)
            for at, text in drawn_from(scope, jar, _MOST_POURED)
        ],
        cost_of_can=_cost(scope, jar),
    )


def _unit_of(stock: Jar) -> str:
    return "mL" if stock.made_from and stock.made_from.form == "liquid" else "g"


def _is_bottle(jar: Jar) -> bool:
    """Whether she filled it herself: a brew that was strained, or a stock solution."""
    return jar.contents is not None or jar.made_from_id is not None


def _suits(scope: Scope, jar: Jar) -> list[JarCanOut]:
    """Stops that want a feed today and whose roots a can of it suits."""
    found = []
    for stop in stop_verdicts(scope):
        mine = [
            (turn, offer) for turn, offer in enumerate(stop.verdict.offers)
            if str(jar.pk) in offer.used
        ]  # fmt: skip
        for turn, offer in mine[:1]:
            base = offer.base
            own = base.said.words if base and base.source == str(jar.pk) else offer.words
            text = f"{own} in {shown.litres(offer.litres, 2)}" if offer.can else own
            found.append(
                JarCanOut(place_id=stop.place.id, spot=stop_name(stop), text=text, first=turn == 0)
            )
    return found


def _usual(jar: Jar) -> list[str]:
    """How thin it is usually used, place by place; nothing where no table speaks of it."""
    row = core.usual_of(tokens_of(jar))
    if row is None:
        return []
    told = (
        (row.ground, "in the ground"),
        (row.pot, "in pots"),
        (row.young, "on seedlings"),
        (row.leaf, "on leaves"),
    )
    return [f"1 + {parts:g} {where}" for parts, where in told if parts is not None]


def _cost(scope: Scope, jar: Jar) -> str:
    """What the newest can of it costs, where its price is known."""
    if jar.price is None or not jar.dissolves:
        return ""
    key = str(jar.pk)
    offers = [o for v in stop_verdicts(scope) for o in v.verdict.offers if key in o.used]
    if not offers:
        return ""
    cost = jar.price * offers[0].used[key] / jar.holds
    return f"{cost:.2f} for {shown.litres(offers[0].litres, 2)}"


def _strength(one: BottleStrength, jar: Jar, zone: ZoneInfo) -> StrengthOut:
    low, likely, high = one.contents.ec_ms_cm
    row = one.reading
    at = jar.created_at if row is None else row.taken_at
    text = "as strained" if row is None else f"read {reading_words(row)}"
    if one.doubted:
        text += ", which is doubted"
    return StrengthOut(
        on=at.astimezone(zone).date(),
        text=text,
        ec_text=f"{shown.ec(likely, 1)} ({shown.ec_span(low, high)})",
    )


def _element(feed: core.Composition, n: str, unit: str, bottle: bool) -> PartOut:
    value, spread = feed.element(n), feed.spread_of(n)
    if bottle:
        low, likely, high = (rough(1000 * value * f) for f in (spread.low, 1.0, spread.high))
        return PartOut(name=n, likely=likely, text=f"{low} to {high} mg/L, likely {likely}")
    low, high = say(value * spread.low, 2), say(value * spread.high, 2)
    likely = say(value, 3)
    return PartOut(name=n, likely=likely, text=f"{low} to {high} mg/{unit}, likely {likely}")


def _weighs(jar: Jar) -> str:
    if jar.spoon_g:
        return f"a level teaspoon weighs {say(jar.spoon_g)} g"
    if jar.form == "solid" and jar.material:
        grams = core.TEASPOON_ML * core.material(jar.material).density_g_per_ml
        return f"a level teaspoon weighs about {say(grams, 2)} g"
    return ""


def _price(jar: Jar, feed: core.Composition) -> str:
    each = None if jar.price is None else feed.price_per_gram("N", jar.price, jar.holds)
    return "" if each is None else f"{each:.2f} for each gram of nitrogen"


def _label_cautions(jar: Jar) -> list[str]:
    """What a bottle must say on itself."""
    said = ["Plant feed. Not for drinking. Never in a drink bottle."]
    said.append("Keep from children and pets.")
    if jar.brew is not None:
        _, preparing = core.advise_brew(core_recipe(jar.brew))
        said += [f"{a.text.split('. ')[0]}." for a in preparing if a.key in _LABEL]
    return said
