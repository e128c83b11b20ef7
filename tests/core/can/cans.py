"""Cans to ask about."""

from dace.core.advice.can import advise_answer
from dace.core.can.answer import CanAsked, answer
from dace.core.matter.composition import composition
from dace.core.matter.label import Label
from dace.core.matter.waters import water_from_ec
from dace.core.season.crops import crop

FORMS = (("nitrate", 1.6), ("ammonium", 0.8), ("urea", 1.6))


FRUITING = Label(4, 3, 8, density_g_per_ml=1.15, nitrogen=FORMS)


TAP = water_from_ec(0.5)


AUBERGINE = crop("aubergine")


FLOWERING = AUBERGINE.stage("flowering")


def asked(strength, vessel_l=9.0, label=FRUITING, water=TAP, **more):
    return CanAsked(strength, composition(label), water, vessel_l, **more)


def can(strength, **more):
    return answer(asked(strength, **more))


def advice_on(strength, **more):
    said = asked(strength, **more)
    return {one.key: one for one in advise_answer(said, answer(said))}
