"""A whole garden as calculators are given it: stops, jars, waters, cans."""

from __future__ import annotations

from datetime import date

from dace.core.api import (
    AS_NEEDED,
    RHYTHM_WORDS,
    SALT_WORDS,
    SHELTERS,
    Begun,
    Crop,
    DaceError,
    Growing,
    Grows,
    Look,
    NamedWater,
    Outlook,
    RootZone,
    SaltSaid,
    Shelter,
    Source,
    Stop,
    Tested,
    TestedSoil,
    Vessel,
    WaterIons,
    Yard,
    charged_water,
    crop,
    evenings_of,
    follow_all,
    litres_of_medium,
    medium,
    place_kind,
    place_kinds,
    rain_m2,
    raises,
    read_amount,
    read_soil_test,
    spans,
    stage_clock,
    water_from_ec,
)
from dace.core.shell.events_in import poured_in, sampled_in, slow_in
from dace.core.shell.jars_in import content_in, feed_in, measures_in, owned_in, water_in
from dace.core.shell.json_in import Json, choice, json_object, number, rows, text
from dace.core.shell.weather_in import day_of, outlook_of

_SETTINGS = tuple(place_kinds())
_SCHOOLS = ("both", "mixed", "soil_first", "soluble")
_APPROACHES = ("soil_first", "mixed", "soluble")
_DAYS_NAMED = (("plantings", ("started_on", "seen_on")), ("poured", ("on",)), ("readings", ("on",)))
_MOST_STOPS = 200
_MOST_STRENGTH = 3.0


def yard_in(given: Json) -> Yard:
    """A garden followed up to its today.

    Raises
    ------
    DaceError
        Naming the field that cannot be used.
    """
    today = day_of(given.get("today"), "today")
    days = outlook_of(given, today)
    waters = _waters(given)
    usual = waters[0].ions if waters else water_from_ec(0.0)
    told = rows(given, "stops")
    if len(told) > _MOST_STOPS:
        raise DaceError("stops", f"{len(told)} stops", f"up to {_MOST_STOPS} would do")
    seed = int(number(given.get("seed", 1), "seed"))
    evenings, school = evenings_of(given.get("evenings")), _school(given)
    asked = [
        _Told(row | {"approach": row.get("approach", school)}, turn, days, usual, seed)
        for turn, row in enumerate(told)
    ]
    for one in asked:
        one.evenings = evenings
    if len({one.key for one in asked}) < len(asked):
        raise DaceError("stops.id", "the same id twice", "an id of its own for each stop would do")
    followed = follow_all([one.root for one in asked], days)
    return Yard(
        days=days,
        stops=tuple(one.stop(found) for one, found in zip(asked, followed, strict=True)),
        sources=tuple(_source(row, turn) for turn, row in enumerate(rows(given, "jars"))),
        waters=waters,
        vessels=_vessels(given),
        owned=owned_in(given),
        spoons="owned" in given,
        pen=bool(given.get("pen", True)),
        slider=_slider(given),
    )


def _slider(given: Json) -> float:
    found = number(given.get("slider", 0), "slider")
    if not -1 <= found <= 1:
        raise DaceError("slider", f"{found:g}", "-1 (spare money) to 1 (spare effort) would do")
    return found


def _school(given: Json) -> str:
    """The order of sources where a stop says none: both made and bought by default."""
    found = choice(given, "school", _SCHOOLS, "both")
    return "mixed" if found == "both" else found


def _waters(given: Json) -> tuple[NamedWater, ...]:
    several = given.get("waters")
    if isinstance(several, dict):
        named = [(str(name), json_object(several, name)) for name in several]
    elif several is not None:
        named = [(text(row, "name"), row.get("water", row)) for row in rows(given, "waters")]
    elif "water" in given:
        named = [("water", json_object(given, "water"))]
    else:
        named = [("water", {"ec_ms_cm": 0.5})]
    return tuple(NamedWater(name, name, water_in(_bare(water))) for name, water in named)


def _bare(water: Json) -> Json:
    return {key: value for key, value in water.items() if key not in ("name", "left_l")}


def _vessels(given: Json) -> tuple[Vessel, ...]:
    several = given.get("vessels", [given.get("vessel", "9 L")])
    if not isinstance(several, list):
        raise DaceError("vessels", repr(several)[:60], 'a list such as ["9 L"] would do')
    found = []
    for one in several:
        amount = read_amount(str(one), measures_in(given), "vessel")
        if amount.unit != "mL" or amount.value <= 0:
            raise DaceError("vessel", f"“{one}”"[:60], "a volume such as 9 L would do")
        found.append(Vessel(str(one), str(one), amount.value / 1000))
    return tuple(found)


def _source(row: Json, turn: int) -> Source:
    jar = json_object(row, "jar")
    feed, tokens = feed_in(jar, "jar")
    slow = bool(jar.get("slow", row.get("slow", False)))
    dissolves = bool(jar.get("dissolves", row.get("dissolves", not slow)))
    content = None if dissolves else content_in(jar)
    stock, price = row.get("stock"), row.get("price")
    until, ready = row.get("keeps_until"), row.get("ready_on")
    if row.get("made") and not any(token.startswith("method:") for token in tokens):
        tokens |= {"method:unknown"}
    return Source(
        key=str(turn),
        name=text(row, "name"),
        feed=feed,
        stock=1e9 if stock is None else number(stock, "jars.stock"),
        tokens=tokens,
        dissolves=dissolves,
        content=content,
        ready_on=None if ready is None else day_of(ready, "jars.ready_on"),
        keeps_until=None if until is None else day_of(until, "jars.keeps_until"),
        price=None if price is None else number(price, "jars.price"),
    )


class _Told:
    """One stop as it was told, made ready to be followed."""

    def __init__(self, row: Json, turn: int, days: Outlook, water: WaterIons, seed: int) -> None:
        self.row, self.days, self.water = row, days, water
        self.evenings: frozenset[int] = frozenset()
        self.key = str(row.get("id", turn))
        self.setting = choice(row, "setting", _SETTINGS, "pot")
        self.shelter: Shelter = choice(row, "shelter", SHELTERS, "open")
        self.filled = _filled_on(row, days)
        self.plantings = [self._planting(one, at) for at, one in enumerate(rows(row, "plantings"))]
        self.tested = self._read_test()
        self.root = self._root(seed)

    def _root(self, seed: int) -> RootZone:
        row = self.row
        area = row.get("area_m2")
        area_m2 = None if area is None else number(area, "stops.area_m2")
        if area_m2 is None and "litres" not in row:
            raise DaceError("stops.litres", "neither litres nor area_m2", "one of them would do")
        litres = litres_of_medium(
            number(row["litres"], "stops.litres") if "litres" in row else None, area_m2
        )
        open_m2 = rain_m2(litres, area_m2, 1) if self.shelter == "open" else 0.0
        setting = place_kind(self.setting).setting(not open_m2).key
        return RootZone(
            medium=medium(text(row, "medium")),
            litres=litres,
            setting=setting,
            rain_m2=open_m2,
            filled_on=self.filled,
            growing=tuple(
                Growing(one.crop, spans(one.clock), one.plants, one.since, key=one.key)
                for one in self.plantings
            ),
            poured=tuple(poured_in(one, self.water) for one in rows(row, "poured")),
            slow=tuple(slow_in(one) for one in rows(row, "slow")),
            samples=tuple(sampled_in(one) for one in rows(row, "readings")),
            water_mg_l=charged_water(self.water),
            logs_all=bool(row.get("logs_every_watering", False)),
            tested=self._tests(),
            seed=seed,
        )

    def _planting(self, row: Json, turn: int) -> Grows:
        grown = crop(text(row, "crop"))
        started = day_of(row.get("started_on", str(self.filled)), "plantings.started_on")
        looks = self._looks(grown, row)
        begun = Begun(
            min(started, looks[0].on) if looks else started,
            looks,
            indoors=self.shelter == "indoors",
            in_tray=raises(self.setting) == "seedlings",
            shelter=self.shelter,
        )
        plants = int(number(row.get("plants", 1), "plantings.plants"))
        if not 1 <= plants <= 10_000:
            raise DaceError("plantings.plants", f"{plants}", "1 to 10,000 would do")
        score = row.get("leaf_score")
        return Grows(
            key=f"{self.key}:{row.get('id', turn)}",
            crop=grown,
            clock=stage_clock(grown, begun, self.days),
            plants=plants,
            since=max(self.filled, min(started, self.days.today)),
            started_on=started,
            control=bool(row.get("control", self.row.get("control", False))),
            looked_on=looks[-1].on if looks else None,
            begun=begun,
            score=None if score is None else number(score, "plantings.leaf_score"),
        )

    def _looks(self, grown: Crop, row: Json) -> tuple[Look, ...]:
        if "stage" not in row:
            return ()
        stage = grown.stage(text(row, "stage"))
        seen = day_of(row.get("seen_on", str(self.days.today)), "plantings.seen_on")
        if seen > self.days.today:
            raise DaceError("plantings.seen_on", f"{seen}", "a day that has been would do")
        return (Look(stage.key, seen),)

    def stop(self, followed: object) -> Stop:
        """The stop, followed."""
        row = self.row
        area = row.get("area_m2")
        ph = row.get("ph")
        return Stop(
            key=self.key,
            name=str(row.get("name", self.key)),
            followed=followed,  # type: ignore[arg-type]
            grows=tuple(self.plantings),
            rhythm=choice(row, "rhythm", tuple(RHYTHM_WORDS), AS_NEEDED),
            approach=choice(row, "approach", _APPROACHES, "mixed"),
            shelter=self.shelter,
            area_m2=None if area is None else number(area, "stops.area_m2"),
            ph=None if ph is None else number(ph, "stops.ph"),
            tested_high=self.tested.high if self.tested else frozenset(),
            left_out=day_of(row["left_out"], "stops.left_out") if row.get("left_out") else None,
            strength=_strength(row),
            evenings=self.evenings,
            salt_said=_salt_said(row.get("salt_said")),
        )

    def _read_test(self) -> TestedSoil | None:
        test = self.row.get("soil_test")
        if not isinstance(test, dict):
            return None
        held = test.get("values", test)
        if not isinstance(held, dict):
            raise DaceError("soil_test", repr(held)[:60], "nutrients with numbers would do")
        values = {
            str(n): number(v, f"soil_test.{n}") for n, v in held.items() if n not in ("unit", "on")
        }
        unit = str(test.get("unit", "mg/L"))
        return read_soil_test(values, unit, medium(text(self.row, "medium")))

    def _tests(self) -> tuple[Tested, ...]:
        if self.tested is None:
            return ()
        on = self.row["soil_test"].get("on")
        day = self.filled if on is None else day_of(on, "soil_test.on")
        return (Tested(max(self.filled, min(day, self.days.today)), self.tested.mg_l),)


def _salt_said(told: object) -> SaltSaid | None:
    if not isinstance(told, dict):
        return None
    word = choice(told, "word", tuple(SALT_WORDS), "")
    hour = number(told.get("hour", 12), "stops.salt_said.hour")
    return SaltSaid(day_of(told.get("on"), "stops.salt_said.on"), hour, word)


def _strength(row: Json) -> float:
    found = number(row.get("strength", 1), "stops.strength")
    if not 0 < found <= _MOST_STRENGTH:
        raise DaceError("stops.strength", f"{found:g}", f"up to {_MOST_STRENGTH:g} times would do")
    return found


def _filled_on(row: Json, days: Outlook) -> date:
    """When it was filled: as told, or the earliest day that is named of it."""
    if "filled_on" in row:
        return min(day_of(row["filled_on"], "stops.filled_on"), days.today)
    named = [
        day_of(one[key], f"{table}.{key}")
        for table, keys in _DAYS_NAMED
        for one in rows(row, table)
        for key in keys
        if key in one
    ]
    return min([*named, days.today])
