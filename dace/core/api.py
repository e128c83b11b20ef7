"""The core's public surface. Everything outside the core imports from here."""

from dace.core.advice import Advice, Severity, gravest_first
from dace.core.advice.brewing import advise_brew, advise_jar, brew_tokens
from dace.core.advice.can import advise_answer, advise_clash, short_of
from dace.core.advice.cautions import cautions
from dace.core.advice.feeding import Feeding
from dace.core.advice.judge import advise_feeding, barred
from dace.core.advice.leaf_rules import SAFE_WAY, advise_too_strong
from dace.core.advice.open_hours import Asked as HoursAsked
from dace.core.advice.open_hours import Hour, clock_words, open_hours, runs, said_now
from dace.core.brew.acid import Limits
from dace.core.brew.bottles import BottleContents, bottle_contents, composition_of_bottle
from dace.core.brew.claims import Against, Claim, ClaimVerdict, check_claim
from dace.core.brew.days import past_use, ready_days
from dace.core.brew.estimate import Band, BrewEstimate, estimate
from dace.core.brew.extraction import SPREAD_ONLY, Method, method, methods, modifier, modifiers
from dace.core.brew.purpose import Purpose, purpose_of, suits
from dace.core.brew.recipe import Recipe, RecipeItem
from dace.core.brew.told import brew_working
from dace.core.brew.weighed import BrewReading, batch_told, taught_factor, weigh
from dace.core.can.answer import Answer, Beside, CanAsked, answer, warm_up
from dace.core.can.capping import CapCheck
from dace.core.can.correcting import Correction, Misread, correct_can
from dace.core.can.dry import (
    DryDose,
    Spread,
    disagreement,
    dry_dose,
    litres_of_medium,
    read_dry,
    season_nitrogen_g_m2,
    usual_dry_density,
)
from dace.core.can.finding import FoundMix, Simpler, Taken, find_mix
from dace.core.can.fitting import solve_amount
from dace.core.can.ingredient import Ingredient, Source
from dace.core.can.leaf import Leaf, leaf_of
from dace.core.can.leaf_limits import Limit as LeafLimit
from dace.core.can.leftover import Leftover, keeps_until
from dace.core.can.measured_out import Measured, Way, strength_words
from dace.core.can.measures import KINDS as MEASURE_KINDS
from dace.core.can.measures import TEASPOON_ML, Owned, fill_words, usual_measures, with_kitchen
from dace.core.can.measuring import AmountSaid, Vessel, by_jug, measured, vessel_for
from dace.core.can.mix_asked import MixAsked
from dace.core.can.mixing import MOST_VESSEL_L, Mixture, fill_can, fill_with
from dace.core.can.mixing import Poured as PouredPart
from dace.core.can.offering import offered_for
from dace.core.can.pouring import Ground, suggest_litres_each
from dace.core.can.practice import Checked, Exercise, check, exercise
from dace.core.can.sharing import shares_of_ground, told_by
from dace.core.can.spray_words import brings_words, fit_words, limit_words
from dace.core.can.spraying import OnLeaf, Spray, SprayAsked, spray
from dace.core.can.stock import StockSolution, stock_for, stock_solution
from dace.core.can.strength import format_strength, parse_strength
from dace.core.can.usual import For, stops_of, usual_of
from dace.core.can.vessels import Cans, read_litres_each, read_pack, read_rate, split_into_cans
from dace.core.draws.learned import WITHIN, Told, learned, scatter
from dace.core.draws.spreads import Array as Numbers
from dace.core.errors import DaceError
from dace.core.fed.dressing import in_the_hole
from dace.core.fed.evenings import DAYS as EVENINGS
from dace.core.fed.evenings import evenings_of
from dace.core.fed.records import (
    AS_NEEDED,
    RHYTHM_WORDS,
    RHYTHMS,
    SALT_WORDS,
    After,
    Grows,
    MixedCan,
    NamedWater,
    Portion,
    Question,
    SaltSaid,
    Stop,
    Tonight,
    Verdict,
    Yard,
)
from dace.core.figures import Range
from dace.core.ledger.books import Ledger, ledger
from dace.core.ledger.shortfall import APPROACHES, Balance, BalanceWord, balances
from dace.core.ledger.soil_tests import UNITS as SOIL_UNITS
from dace.core.ledger.soil_tests import TestedSoil, read_soil_test
from dace.core.matter.chemistry import alkalinity_from_bicarbonate
from dace.core.matter.clashes import (
    CHLORINATED,
    Clash,
    Meeting,
    clashes_among,
    clashes_between,
    meeting,
)
from dace.core.matter.composition import Composition, composition, composition_of_liquid
from dace.core.matter.conductivity import ec_25
from dace.core.matter.label import (
    ALSO,
    FORMS,
    Label,
    dissolving,
    filled_in,
    forms_of,
    label_of_material,
    potash_chloride,
    read_grade,
)
from dace.core.matter.materials import Material, material, materials
from dace.core.matter.media import Medium, media, medium
from dace.core.matter.methods import is_sour
from dace.core.matter.nutrients import NUTRIENT_NAMES, NUTRIENTS
from dace.core.matter.release import Content, content_of_feed, content_of_material, release_over
from dace.core.matter.settings import (
    SHELTERS,
    PlaceKind,
    Setting,
    Shelter,
    place_kind,
    place_kinds,
    raises,
    setting,
)
from dace.core.matter.temperature import ec_at
from dace.core.matter.waters import (
    WATER_KINDS,
    WaterIons,
    blend,
    water_from_ec,
    water_from_report,
    water_of_kind,
)
from dace.core.pen.logger import LoggedHour, LoggedHours, by_day, read_log, told_twice
from dace.core.pen.methods import as_pour_through
from dace.core.pen.readings import (
    METHODS,
    NEVER_CALIBRATED_DAYS,
    PEN_OLD_DAYS,
    Comparison,
    PenReading,
    ReadVerdict,
    compare_with_expected,
    parts_for_pen,
    pen_words,
    reading_at_25,
)
from dace.core.plan.buying import ToBuy, to_buy
from dace.core.plan.cans import cans_of, minutes_for
from dace.core.plan.making import make_plan
from dace.core.plan.records import (
    CanToMix,
    Carried,
    Course,
    Destiny,
    Event,
    Plan,
    Remedy,
    Served,
    Short,
    Wait,
)
from dace.core.plan.rehearse import Rehearsed, Tally, Trial, rehearse, tally
from dace.core.response.facts import TOLD
from dace.core.response.known import air_facts, root_facts, share_of_cap
from dace.core.response.measures import (
    TrialMeasure,
    TrialWait,
    check_measured,
    due_again,
    gathered,
    judge_after,
    same_water,
    toss,
    trial_measure,
    trial_measures,
    trial_wait,
    trial_waits,
)
from dace.core.response.pots import Pot, compared, paired_figures
from dace.core.response.power import how_often, power_words
from dace.core.response.scales import Scale, check_score, scales
from dace.core.response.signs import Cause, Sign, read_sign, signs, signs_on
from dace.core.response.signs import Found as SignFound
from dace.core.response.trials import Compared, Judged, judge_trial, pooled, sides_won
from dace.core.result import Result, Step, Working, say
from dace.core.rootzone.course import needs
from dace.core.rootzone.expecting import next_readings
from dace.core.rootzone.filter import Looked
from dace.core.rootzone.flush import Flush, flush
from dace.core.rootzone.follow import Followed, follow, follow_all
from dace.core.rootzone.meaning import (
    SHORT as ROOT_SHORT,
)
from dace.core.rootzone.meaning import (
    WORDS as ROOT_WORDS,
)
from dace.core.rootzone.meaning import (
    Comfort,
    FeedWord,
    NextFeed,
    RootWord,
    as_paste,
    climbing_since,
    comfort,
    comfort_of,
    crop_loss,
    days_to_top,
    next_feed,
    word_for,
    word_now,
)
from dace.core.rootzone.records import (
    CHARGED,
    FEELS,
    NITRATE,
    Felt,
    Growing,
    Poured,
    RootZone,
    Sampled,
    Slow,
    TakenBesides,
    Tested,
    charged_can,
    charged_dry,
    charged_plain,
    charged_water,
    rain_m2,
    with_charge,
    with_water,
)
from dace.core.rootzone.told import followed_steps
from dace.core.season.climate import Climate, climate, climate_near, climates, climates_near
from dace.core.season.clock import stage_clock
from dace.core.season.cold import lives_on, wakes_on
from dace.core.season.crops import (
    STAGE_WORDS,
    Crop,
    Stage,
    alike,
    crop,
    crops,
    feed_cap,
    other_names,
    stand_ins,
)
from dace.core.season.garden_list import CropLine, Line, PlaceLine, crop_spelt, read_list
from dace.core.season.hours import DAY_H, DayTold, Hours, sun_hours, usual_hours
from dace.core.season.looks import Begun, Look, StageReading, Start, out_of_order
from dace.core.season.need import Span, spans, stage_days, wish_now
from dace.core.season.outlook import Days, Outlook, WeatherAsked, outlook, usual_days
from dace.core.season.own_weather import OwnDay, read_own_weather
from dace.core.season.places import Country, countries
from dace.core.season.weather import day_hours
from dace.core.solids.green_manure import (
    Given,
    GreenManure,
    given_by,
    green_manures,
)
from dace.core.solids.heap import (
    Finished,
    Heap,
    HeapInput,
    Sums,
    dry_to,
    finished,
    heap_working,
    pace,
    progress,
    result_of,
    to_reach,
    water_to,
)
from dace.core.solids.heap_amounts import BALE_KG, amount_kg
from dace.core.solids.heap_figures import Drawing, heap_figure, heap_words
from dace.core.solids.heap_says import heap_says
from dace.core.solids.home_test import HomeTest, corrected, cress_says, expected_ec
from dace.core.solids.kept import (
    Done,
    Emptied,
    HeapStep,
    Lack,
    emptied,
    heap_lacks,
    heap_steps,
    heap_warmth,
    hot_weeks,
    ready_words,
)
from dace.core.solids.manure import ANIMALS, BeanPot, BeanTest, bean_test, not_hot_weeks, salt_left
from dace.core.solids.mulch import Mulch, MulchKind, mulch_for, mulches
from dace.core.solids.on_beds import (
    OnBed,
    days_to_cut,
    green_on_bed,
    mulch_on_bed,
    spread_on_bed,
)
from dace.core.solids.soil_mix import (
    Break,
    MixIngredient,
    MixRecipe,
    SoilMix,
    SoilMixAsked,
    medium_of,
    mix_ingredients,
    mix_recipes,
    mixed_medium,
    most_like,
    soil_mix,
    topped_up,
)
from dace.core.verdict.against import advise_against
from dace.core.verdict.cold_night import COVER, cold_night
from dace.core.verdict.judge import verdicts
from dace.core.verdict.kinds import VerdictKind, kind_of
from dace.core.verdict.nutrients import nutrient_words
from dace.core.verdict.questions import of_several
from dace.core.verdict.words import number_word
from dace.core.words import shown
from dace.core.words.amounts import amount_words
from dace.core.words.dates import (
    ORDERS,
    Dated,
    Doubt,
    Order,
    doubts_of,
    iso_of,
    order_of,
    pointed_at,
    ways_of,
)
from dace.core.words.days import ago, at_clock, day_words, on_day
from dace.core.words.harmless import FORMULA, harmless
from dace.core.words.listing import listed
from dace.core.words.loosely import cans_told, likeliest, times_told
from dace.core.words.numbers import NUMBER, as_decimal, completed, plain, read_number
from dace.core.words.quantities import (
    FAMILIES,
    family_words,
    read_amount,
    read_amounts,
    read_measure,
)
from dace.core.words.scales import PenScale, pen_scale, pen_scales, read_conductivity, scale_spelt
from dace.core.words.shares import gain_words, percent_words, share_words
from dace.core.words.sizes import Size, read_size
from dace.core.words.tables import rows_of_text, separator_of, text_of
from dace.core.year.follows import (
    Follower,
    Rotation,
    against_rotation,
    follows,
    rotations,
    usual_frosts,
)
from dace.core.year.frost import Night, frost_words, harm_chance, leaf_low
from dace.core.year.moving import Moving, Raised, moving

# fmt: off
from dace.core.year.review import (
    Moved,
    Plot,
    Reviewed,
    a_year_on,
    lines_for_next,
    next_ground,
    wanted_g,
)

__all__ = [
    "ALSO",
    "ANIMALS",
    "APPROACHES",
    "AS_NEEDED",
    "BALE_KG",
    "CHARGED",
    "CHLORINATED",
    "COVER",
    "DAY_H",
    "EVENINGS",
    "FAMILIES",
    "FEELS",
    "FORMS",
    "FORMULA",
    "MEASURE_KINDS",
    "METHODS",
    "MOST_VESSEL_L",
    "NEVER_CALIBRATED_DAYS",
    "NITRATE",
    "NUMBER",
    "NUTRIENTS",
    "NUTRIENT_NAMES",
    "ORDERS",
    "PEN_OLD_DAYS",
    "RHYTHMS",
    "RHYTHM_WORDS",
    "ROOT_SHORT",
    "ROOT_WORDS",
    "SAFE_WAY",
    "SALT_WORDS",
    "SHELTERS",
    "SOIL_UNITS",
    "SPREAD_ONLY",
    "STAGE_WORDS",
    "TEASPOON_ML",
    "TOLD",
    "WATER_KINDS",
    "WITHIN",
    "Advice",
    "After",
    "Against",
    "AmountSaid",
    "Answer",
    "Balance",
    "BalanceWord",
    "Band",
    "BeanPot",
    "BeanTest",
    "Begun",
    "Beside",
    "BottleContents",
    "Break",
    "BrewEstimate",
    "BrewReading",
    "CanAsked",
    "CanToMix",
    "Cans",
    "CapCheck",
    "Carried",
    "Cause",
    "Checked",
    "Claim",
    "ClaimVerdict",
    "Clash",
    "Climate",
    "Comfort",
    "Compared",
    "Comparison",
    "Composition",
    "Content",
    "Correction",
    "Country",
    "Course",
    "Crop",
    "CropLine",
    "DaceError",
    "Dated",
    "DayTold",
    "Days",
    "Destiny",
    "Done",
    "Doubt",
    "Drawing",
    "DryDose",
    "Emptied",
    "Event",
    "Exercise",
    "FeedWord",
    "Feeding",
    "Felt",
    "Finished",
    "Flush",
    "Followed",
    "Follower",
    "For",
    "FoundMix",
    "Given",
    "GreenManure",
    "Ground",
    "Growing",
    "Grows",
    "Heap",
    "HeapInput",
    "HeapStep",
    "HomeTest",
    "Hour",
    "Hours",
    "HoursAsked",
    "Ingredient",
    "Judged",
    "Label",
    "Lack",
    "Leaf",
    "LeafLimit",
    "Ledger",
    "Leftover",
    "Limits",
    "Line",
    "LoggedHour",
    "LoggedHours",
    "Look",
    "Looked",
    "Material",
    "Measured",
    "Medium",
    "Meeting",
    "Method",
    "Misread",
    "MixAsked",
    "MixIngredient",
    "MixRecipe",
    "MixedCan",
    "Mixture",
    "Moved",
    "Moving",
    "Mulch",
    "MulchKind",
    "NamedWater",
    "NextFeed",
    "Night",
    "Numbers",
    "OnBed",
    "OnLeaf",
    "Order",
    "Outlook",
    "OwnDay",
    "Owned",
    "PenReading",
    "PenScale",
    "PlaceKind",
    "PlaceLine",
    "Plan",
    "Plot",
    "Portion",
    "Pot",
    "Poured",
    "PouredPart",
    "Purpose",
    "Question",
    "Raised",
    "Range",
    "ReadVerdict",
    "Recipe",
    "RecipeItem",
    "Rehearsed",
    "Remedy",
    "Result",
    "Reviewed",
    "RootWord",
    "RootZone",
    "Rotation",
    "SaltSaid",
    "Sampled",
    "Scale",
    "Served",
    "Setting",
    "Severity",
    "Shelter",
    "Short",
    "Sign",
    "SignFound",
    "Simpler",
    "Size",
    "Slow",
    "SoilMix",
    "SoilMixAsked",
    "Source",
    "Span",
    "Spray",
    "SprayAsked",
    "Spread",
    "Stage",
    "StageReading",
    "Start",
    "Step",
    "StockSolution",
    "Stop",
    "Sums",
    "Taken",
    "TakenBesides",
    "Tally",
    "Tested",
    "TestedSoil",
    "ToBuy",
    "Told",
    "Tonight",
    "Trial",
    "TrialMeasure",
    "TrialWait",
    "Verdict",
    "VerdictKind",
    "Vessel",
    "Wait",
    "WaterIons",
    "Way",
    "WeatherAsked",
    "Working",
    "Yard",
    "a_year_on",
    "advise_against",
    "advise_answer",
    "advise_brew",
    "advise_clash",
    "advise_feeding",
    "advise_jar",
    "advise_too_strong",
    "against_rotation",
    "ago",
    "air_facts",
    "alike",
    "alkalinity_from_bicarbonate",
    "amount_kg",
    "amount_words",
    "answer",
    "as_decimal",
    "as_paste",
    "as_pour_through",
    "at_clock",
    "balances",
    "barred",
    "batch_told",
    "bean_test",
    "blend",
    "bottle_contents",
    "brew_tokens",
    "brew_working",
    "brings_words",
    "by_day",
    "by_jug",
    "cans_of",
    "cans_told",
    "cautions",
    "charged_can",
    "charged_dry",
    "charged_plain",
    "charged_water",
    "check",
    "check_claim",
    "check_measured",
    "check_score",
    "clashes_among",
    "clashes_between",
    "climate",
    "climate_near",
    "climates",
    "climates_near",
    "climbing_since",
    "clock_words",
    "cold_night",
    "comfort",
    "comfort_of",
    "compare_with_expected",
    "compared",
    "completed",
    "composition",
    "composition_of_bottle",
    "composition_of_liquid",
    "content_of_feed",
    "content_of_material",
    "correct_can",
    "corrected",
    "countries",
    "cress_says",
    "crop",
    "crop_loss",
    "crop_spelt",
    "crops",
    "day_hours",
    "day_words",
    "days_to_cut",
    "days_to_top",
    "disagreement",
    "dissolving",
    "doubts_of",
    "dry_dose",
    "dry_to",
    "due_again",
    "ec_25",
    "ec_at",
    "emptied",
    "estimate",
    "evenings_of",
    "exercise",
    "expected_ec",
    "family_words",
    "feed_cap",
    "fill_can",
    "fill_with",
    "fill_words",
    "filled_in",
    "find_mix",
    "finished",
    "fit_words",
    "flush",
    "follow",
    "follow_all",
    "followed_steps",
    "follows",
    "format_strength",
    "forms_of",
    "frost_words",
    "gain_words",
    "gathered",
    "given_by",
    "gravest_first",
    "green_manures",
    "green_on_bed",
    "harm_chance",
    "harmless",
    "heap_figure",
    "heap_lacks",
    "heap_says",
    "heap_steps",
    "heap_warmth",
    "heap_words",
    "heap_working",
    "hot_weeks",
    "how_often",
    "in_the_hole",
    "is_sour",
    "iso_of",
    "judge_after",
    "judge_trial",
    "keeps_until",
    "kind_of",
    "label_of_material",
    "leaf_low",
    "leaf_of",
    "learned",
    "ledger",
    "likeliest",
    "limit_words",
    "lines_for_next",
    "listed",
    "litres_of_medium",
    "lives_on",
    "make_plan",
    "material",
    "materials",
    "measured",
    "media",
    "medium",
    "medium_of",
    "meeting",
    "method",
    "methods",
    "minutes_for",
    "mix_ingredients",
    "mix_recipes",
    "mixed_medium",
    "modifier",
    "modifiers",
    "most_like",
    "moving",
    "mulch_for",
    "mulch_on_bed",
    "mulches",
    "needs",
    "next_feed",
    "next_ground",
    "next_readings",
    "not_hot_weeks",
    "number_word",
    "nutrient_words",
    "of_several",
    "offered_for",
    "on_day",
    "open_hours",
    "order_of",
    "other_names",
    "out_of_order",
    "outlook",
    "pace",
    "paired_figures",
    "parse_strength",
    "parts_for_pen",
    "past_use",
    "pen_scale",
    "pen_scales",
    "pen_words",
    "percent_words",
    "place_kind",
    "place_kinds",
    "plain",
    "pointed_at",
    "pooled",
    "potash_chloride",
    "power_words",
    "progress",
    "purpose_of",
    "rain_m2",
    "raises",
    "read_amount",
    "read_amounts",
    "read_conductivity",
    "read_dry",
    "read_grade",
    "read_list",
    "read_litres_each",
    "read_log",
    "read_measure",
    "read_number",
    "read_own_weather",
    "read_pack",
    "read_rate",
    "read_sign",
    "read_size",
    "read_soil_test",
    "reading_at_25",
    "ready_days",
    "ready_words",
    "rehearse",
    "release_over",
    "result_of",
    "root_facts",
    "rotations",
    "rows_of_text",
    "runs",
    "said_now",
    "salt_left",
    "same_water",
    "say",
    "scale_spelt",
    "scales",
    "scatter",
    "season_nitrogen_g_m2",
    "separator_of",
    "setting",
    "share_of_cap",
    "share_words",
    "shares_of_ground",
    "short_of",
    "shown",
    "sides_won",
    "signs",
    "signs_on",
    "soil_mix",
    "solve_amount",
    "spans",
    "split_into_cans",
    "spray",
    "spread_on_bed",
    "stage_clock",
    "stage_days",
    "stand_ins",
    "stock_for",
    "stock_solution",
    "stops_of",
    "strength_words",
    "suggest_litres_each",
    "suits",
    "sun_hours",
    "tally",
    "taught_factor",
    "text_of",
    "times_told",
    "to_buy",
    "to_reach",
    "told_by",
    "told_twice",
    "topped_up",
    "toss",
    "trial_measure",
    "trial_measures",
    "trial_wait",
    "trial_waits",
    "usual_days",
    "usual_dry_density",
    "usual_frosts",
    "usual_hours",
    "usual_measures",
    "usual_of",
    "verdicts",
    "vessel_for",
    "wakes_on",
    "wanted_g",
    "warm_up",
    "water_from_ec",
    "water_from_report",
    "water_of_kind",
    "water_to",
    "ways_of",
    "weigh",
    "wish_now",
    "with_charge",
    "with_kitchen",
    "with_water",
    "word_for",
    "word_now",
]
