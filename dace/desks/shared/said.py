"""What was done, read and seen, as one says it in a line."""

from __future__ import annotations

from dace.core import api as core
from dace.core.api import on_day, say, shown
from dace.feeding.models import Dressing, Spray, Spread, Tick, Watering
from dace.garden.looked import Observation, SignCheck
from dace.garden.models import GreenStand, Harvest, SoilTest, StageSeen
from dace.garden.weather import DayWeather
from dace.measuring.models import FieldTest
from dace.notebook.models import Photo, Trial
from dace.shelf.models import BrewEvent, HeapEvent

_DRY_MM = 0.2


def watering_words(row: Watering) -> str:
    """``4.6 L from the rain butt, to flush``."""
    return (
        f"{shown.litres(row.litres)} from the {row.water.name}{', to flush' if row.flush else ''}"
    )


def spray_words(row: Spray) -> str:
    """``0.43 L sprayed on leaves at 10 g/L: about 12 mg of magnesium went into each plant``."""
    n, (_, likely, _) = max(row.entered.items(), key=lambda pair: pair[1][1])
    went = f"about {say(likely, 2)} mg of {core.NUTRIENT_NAMES[n]} went into each plant"
    return f"{shown.litres(row.can.vessel_l, 2)} sprayed on leaves at {row.can.ratio}: {went}"


def test_words(row: FieldTest) -> str:
    """``pH 6.8``, ``nitrate strip 40 mg/L`` or ``moisture by feel: dry``."""
    kind = row.get_kind_display()
    if row.kind == FieldTest.Kind.SALT:
        return core.SALT_WORDS[row.word]
    if row.kind == FieldTest.Kind.MOISTURE:
        return f"{kind}: {row.word}"
    unit = " mg/L" if row.kind == FieldTest.Kind.NITRATE else ""
    return f"{kind} {say(row.value or 0, 3)}{unit}"


def harvest_words(row: Harvest) -> str:
    """``Aubergine: 3 picked, 450 g``."""
    parts = []
    if row.pieces:
        parts.append(f"{row.pieces} picked")
    if row.grams:
        parts.append(core.amount_words(row.grams, "g"))
    return f"{row.planting.grown.name}: {', '.join(parts)}"


def dressing_words(row: Dressing) -> str:
    """``147 g of pelleted poultry manure, dry``."""
    name = row.jar.name if row.jar else core.material(row.material).name
    return f"{core.amount_words(row.grams, 'g')} of {name}, dry"


def look_words(row: StageSeen) -> str:
    """``Aubergine seen in flower``."""
    grown = row.planting.grown
    return f"{grown.name} seen {grown.stage(row.stage).words}"


def soil_test_words(row: SoilTest) -> str:
    """``Soil or medium tested: N 40, P 60 mg/L``."""
    values = [f"{n} {say(row.values[n], 3)}" for n in core.NUTRIENTS if n in row.values]
    return f"Soil or medium tested: {', '.join(values)} {row.unit}"


def left_out_words(row: Tick) -> str:
    """``A feed left out on Quay tub 3``."""
    return f"A feed left out on {row.fill}"


def observation_words(row: Observation) -> str:
    """``leaf colour 4 of 5: good green; new growth 3 of 5: the usual pace. Pale below``."""
    known = core.scales()
    parts = [
        f"{known[key].name} {score:g} of 5: {known[key].said(score)}"
        for key, score in row.scores.items()
        if key in known
    ]
    return ". ".join(part for part in ("; ".join(parts), row.note) if part)


def wet_words(rain_mm: float) -> str:
    """``dry``, or ``4 mm rain``."""
    return "dry" if rain_mm < _DRY_MM else f"{shown.depth(rain_mm)} rain"


def air_words(day: DayWeather, simulated: bool) -> str:
    """``14 to 25 °C, dry``; what a stand-in made up says so."""
    span = f"{shown.degrees(day.t_min)} to {shown.degrees(day.t_max)}"
    words = f"{span}, {wet_words(day.rain_mm)}"
    return f"{words}, simulated" if simulated else words


def photo_words(row: Photo) -> str:
    """``A photo of Quay tub 3``."""
    return f"A photo of {row.fill}"


def trial_words(row: Trial) -> str:
    """``Trial begun: fruiting liquid against none, by weight picked, 20 % worth it``."""
    measure = core.trial_measure(row.measure).name
    worth = core.percent_words(row.worthwhile)
    return f"Trial begun: {row.feed} against none, by {measure}; {worth} worth it"


def sign_words(row: SignCheck) -> str:
    """``Sign: dark patch at the fruit's end; likely uneven watering. It was ...``."""
    sign = core.signs().get(row.sign)
    said = f"Sign: {sign.pattern if sign else row.sign}"
    likely = f"; likely {row.causes[0][0]}" if row.causes else ""
    return f"{said}{likely}{f'. It was {row.outcome}' if row.outcome else ''}"


def brew_words(row: BrewEvent) -> str:
    """``Comfrey ferment: strained, 14 L``."""
    litres = f", {shown.litres(row.litres)}" if row.litres else ""
    return f"{row.brew.name}: {row.get_kind_display()}{litres}"


def spread_words(row: Spread) -> str:
    """``15 kg of Mill heap, spread``."""
    return f"{shown.grams(1000 * row.kg, 2)} of {row.name}, spread"


def green_words(row: GreenStand) -> str:
    """``Winter vetch sown, cut 12 May``."""
    cut = f", cut {on_day(row.cut_on)}" if row.cut_on else ""
    return f"{core.green_manures()[row.kind].name} sown{cut}"


def heap_words(row: HeapEvent) -> str:
    """``Mill heap: turned``."""
    return f"{row.heap.name}: {heap_step_words(row)}"


def heap_step_words(event: HeapEvent) -> str:
    """``20 L of water``, or ``tested: 1.30 mS/cm in five parts of water``."""
    found, kind = event.found, HeapEvent.Kind(event.kind)
    if kind == HeapEvent.Kind.WET:
        return f"{shown.litres(found['litres'])} of water"
    if kind == HeapEvent.Kind.DRAIN:
        return f"{shown.litres(found['litres'])} drained"
    if kind == HeapEvent.Kind.TEST:
        return f"tested: {_tested(found)}"
    if kind == HeapEvent.Kind.READ_BEANS:
        return f"bean test read: {found['result']}"
    if kind == HeapEvent.Kind.EMPTY:
        return f"emptied: {shown.grams(1000 * found['kg'], 2)}"
    if kind == HeapEvent.Kind.ADD and "said" in found:
        return f"{found['said']} put on"
    return str(kind.label)


def _tested(found: dict[str, float]) -> str:
    said = []
    if "ec_1_5" in found:
        said.append(f"{shown.ec(found['ec_1_5'])} in five parts of water")
    if "kg_per_l" in found:
        said.append(f"{say(found['kg_per_l'], 2)} kg a litre")
    if "dry_percent" in found:
        said.append(f"{say(found['dry_percent'], 2)} % dry")
    return ", ".join(said)
