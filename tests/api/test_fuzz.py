"""Whatever a client sends, Dace answers in its own form, and never with a 5xx."""

from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from hypothesis.extra.django import TestCase

from dace.demo.keys import key
from tests.api.base import Asking, new_id
from tests.gardens import InTheYard

JSON = st.recursive(
    st.none() | st.booleans() | st.integers() | st.floats() | st.text(max_size=30),
    lambda inner: st.lists(inner, max_size=3) | st.dictionaries(st.text(max_size=8), inner),
    max_leaves=4,
)
NUMBERISH = st.sampled_from(
    [
        "1e999",
        "-0",
        "1 + 1e-300",
        "1/0 ml",
        "0/0",
        "9e99 L",
        "٣ ml/L",
        "½ ½",
        "1:0",
        "0:1",
        "²",
        "1 +",
        "2 tsp per 0 L",
        "1e-320 ml",
        "999999999999 ml/L",
        "EC 1e-9",
        "N 1e-300 mg/L",
    ]
)


def bodies():
    stand, jar, water = (
        str(key(n)) for n in ("stand aubergine 2 fed", "Seaweed meal", "rain butt")
    )
    jar = str(key("Fruiting liquid 4-3-8"))
    can = {"jar_id": jar, "water_id": water, "vessel": "9 L", "strength": "1 + 500", "reading": 0}
    dose = {"id": new_id(), "stand_id": stand, "plants": 4, "litres_each": 1.5, "poured_at": None}
    reading = {"id": new_id(), "subject_id": new_id(), "value": 1.2, "taken_at": None}
    reading |= {
        "scale": "mS/cm",
        "temperature_c": 20,
        "compensates": True,
        "method": "feed_solution",
    }
    fill = {"id": new_id(), "size": "40 L", "medium": "coir", "alike": 1, "ph": 6.5, "name": "x"}
    jar_ = {"name": "x", "grade": "4-3-8", "basis": "oxide", "percent": "mass", "form": "liquid"}
    jar_ |= {"density_g_per_ml": 1.1, "nitrogen": None, "also": {}, "rate": "5 ml/L", "pack": "1 L"}
    jar_ |= {"stock": "", "spoon_g": None, "price": None, "use_by": None, "dissolves": True}
    planting = {"id": new_id(), "stand_id": new_id(), "fill_id": new_id(), "crop": "chilli"}
    planting |= {"count": 2, "started_on": "2026-06-01", "stage": "flowering"}
    garden = {
        "name": "x",
        "zone": "Europe/London",
        "latitude": 51,
        "measures": "us",
        "degrees": "F",
    }
    water_ = {"name": "x", "kind": "read", "ec_ms_cm": 0.5, "report": None, "parts": None}
    pen = {"name": "x", "scale": "mS/cm", "most_ms_cm": 10, "step_ms_cm": 0.01}
    look = {"id": new_id(), "stage": "harvest", "on": "2026-07-10", "sure": False}
    again = {"id": new_id(), "stand_id": new_id(), "fill_id": None}
    test = {"id": new_id(), "unit": "mg/L", "values": {"P": 20.0}, "tested_on": "2026-07-01"}
    dry = {"stand_id": stand, "said": "10 g each", "jar_id": None, "material": "garden_compost"}
    dry |= {"also_said": "2 handfuls"}
    leaf = {"material": "comfrey_fresh", "amount": "1 kg", "particle": "chopped_coarse"}
    recipe = {"name": "x", "method": "cold_steep", "ingredients": [leaf], "liquid": "9 L"}
    brew = recipe | {"water_id": water, "temperature_c": 16, "acid_percent": 0, "handling": []}
    bottle = {"bottle_id": new_id(), "litres": "7 L", "name": "x"}
    field_test = {"id": new_id(), "subject_id": reading["subject_id"], "kind": "ph", "value": 6.5}
    watering = {"id": new_id(), "fill_id": str(key("fill Quay tub 2")), "water_id": water}
    watering |= {"litres": "5 L", "flush": False}
    tried = {"id": new_id(), "fed_stand_id": stand, "unfed_stand_id": new_id(), "feed": "x"}
    tried |= {"measure": "height_cm", "worthwhile_percent": 20, "judge_on": None}
    pots = {"id": new_id(), "values": {"1": 30}, "measure": "", "on": None, "blind": True}
    harvest = {"id": new_id(), "planting_id": str(key("planting chard")), "grams": 500, "pieces": 3}
    feeding = {"approach": "mixed", "rhythm": "", "sources": [], "strength": 1, "aim": 1}
    trial = {"fills": [], "approach": "", "rhythm": "", "strength": 1, "slider": 0}
    trial |= {"home_made": False, "warmer_c": 0, "rain_times": 1}
    seen = {"id": new_id(), "stand_id": stand, "scores": {"colour": 3}, "note": "x"}
    sign = {"stand_id": stand, "sign": "holes", "facts": {"ph": 6.5}}
    tick = {"id": new_id(), "fill_id": str(key("fill Quay tub 3")), "slot": 1, "how": "own"}
    tick |= {"can_id": new_id(), "litres_each": 0.5}
    return (
        ("post", "/api/bench/preview", can | {"stand_id": stand, "plants": 4, "litres": "1.5 L"}),
        ("post", "/api/pours", {"can": can | {"id": new_id()}, "dose": dose}),
        ("post", f"/api/cans/{new_id()}/doses", dose),
        ("post", "/api/readings", reading),
        ("post", "/api/readings/meaning", reading),
        ("post", "/api/field-tests", field_test),
        ("post", "/api/waterings", watering),
        ("post", "/api/harvests", harvest),
        ("put", f"/api/doses/{new_id()}", {"poured_at": None, "each": "1 L", "stand_id": stand}),
        ("put", f"/api/harvests/{new_id()}", {"picked_on": "2026-07-10", "weight": "1 lb"}),
        ("put", f"/api/looks/{new_id()}", {"seen_on": "2026-07-10", "stage": "x"}),
        ("put", f"/api/fills/{key('fill Quay tub 2')}/waterings", {"logs": True}),
        ("post", f"/api/fills/{key('fill Quay tub 2')}/refill", {"id": new_id()}),
        ("post", "/api/undo", {"change_id": None}),
        ("post", "/api/sign-in", {"name": "A", "password": "B"}),
        ("post", "/api/sign-up", {"name": "A", "password": "B", "garden": "C"}),
        ("post", "/api/join", {"token": "A", "name": "A", "password": "B"}),
        ("put", "/api/garden", garden),
        ("put", f"/api/jars/{new_id()}", jar_),
        ("post", f"/api/jars/{jar}/stock", {"stock": "1 L"}),
        ("put", f"/api/waters/{new_id()}", water_),
        ("put", f"/api/waters/{new_id()}", water_ | {"kind": "report", "report": {"Ca": 80}}),
        ("put", f"/api/waters/{new_id()}", water_ | {"kind": "blend", "parts": {water: 1}}),
        ("put", f"/api/vessels/{new_id()}", {"name": "x", "volume": "9 L", "kind": "can"}),
        ("put", f"/api/measures/{new_id()}", {"kind": "spoon", "name": "x", "holds": "5 ml"}),
        ("put", f"/api/pens/{new_id()}", pen),
        ("put", f"/api/places/{new_id()}", {"name": "x", "kind": "pot", "fill": fill}),
        ("put", f"/api/places/{key('Step')}/fills", fill),
        ("post", "/api/path/order", {"places": [new_id()]}),
        ("post", "/api/plantings", planting),
        ("put", f"/api/plantings/{key('planting chard')}", planting),
        ("put", f"/api/stands/{stand}", {"count": 3}),
        ("post", f"/api/stands/{stand}/move", {"id": new_id(), "fill_id": new_id(), "count": 1}),
        ("post", f"/api/stands/{stand}/thin", {"id": new_id(), "count": 1}),
        ("post", f"/api/pens/{key('yard pen')}/dip", {"subject_id": new_id()}),
        ("post", f"/api/plantings/{key('planting chard')}/stage", look),
        ("post", f"/api/plantings/{key('planting chard')}/feeding", feeding),
        ("post", "/api/garden/feeding", {"approach": "", "rhythm": "weekly", "slider": 0}),
        ("post", "/api/observations", seen),
        ("post", "/api/signs/read", sign),
        ("post", "/api/signs", sign | {"id": new_id()}),
        ("post", f"/api/signs/{new_id()}/outcome", {"outcome": "salt"}),
        ("post", "/api/plan/rehearse", trial),
        ("post", "/api/plan/keep", feeding | {"plantings": [str(key("planting chard"))]}),
        ("post", "/api/trials", tried),
        ("post", f"/api/trials/{key('trial')}/measured", pots),
        ("post", f"/api/trials/{key('trial')}/left-out", {"number": 1, "why": "x"}),
        ("post", f"/api/trials/{new_id()}/end", {"feed_again": True}),
        ("post", "/api/round/ticks", tick),
        ("delete", f"/api/round/cans/{new_id()}", {}),
        ("post", f"/api/round/cans/{new_id()}", {"x": 1}),
        ("post", f"/api/plantings/{key('planting chard')}/repeat", {"days": 14}),
        ("post", f"/api/plantings/{key('planting chard')}/again", again),
        ("post", f"/api/fills/{key('fill Quay tub 2')}/tests", test),
        ("post", "/api/weather", {"id": new_id(), "text": "2026-07-01,10,20,1"}),
        ("post", "/api/dressings/preview", dry),
        ("post", "/api/brews/preview", brew),
        ("post", "/api/brews", brew | {"id": new_id()}),
        ("post", f"/api/brews/{key('Nettle soak')}/steps", {"id": new_id(), "kind": "stir"}),
        ("post", f"/api/brews/{key('Nettle soak')}/add", brew["ingredients"][0] | {"id": new_id()}),
        ("post", f"/api/brews/{key('Nettle soak')}/strain", bottle),
        ("post", f"/api/brews/{key('June comfrey')}/second", {"id": new_id(), "liquid": "9 L"}),
        ("post", f"/api/brews/{key('Nettle soak')}/throw", {"id": new_id()}),
        (
            "post",
            "/api/cautions/seen",
            {"id": new_id(), "caution": "label_is_law", "about": jar},
        ),
        (
            "post",
            "/api/claims",
            {"claim": "3 % nitrogen in milk", "brew_id": None, "vessel": "9 L"},
        ),
        ("put", f"/api/materials/{new_id()}", {"name": "x", "like": "urea", "percent": {"N": 40}}),
        ("put", f"/api/recipes/{new_id()}", recipe),
        ("post", "/api/dressings", dry | {"id": new_id(), "given_at": None}),
    )


class AnythingAtAll(InTheYard, TestCase):
    def setUp(self):
        self.asking = Asking.signed_in()
        self.asking.client.raise_request_exception = False

    def assert_answered(self, reply, sent):
        self.assertLess(reply.status_code, 500, sent)
        if reply.status_code >= 400:
            self.assertIn("message", reply.json()["error"], sent)

    @settings(max_examples=120, deadline=None, suppress_health_check=list(HealthCheck))
    @given(st.data())
    def test_any_field_may_hold_anything(self, data):
        method, path, body = data.draw(st.sampled_from([one for one in bodies() if one[2]]))
        inner = data.draw(
            st.sampled_from([body, *(v for v in body.values() if isinstance(v, dict) and v)])
        )
        name = data.draw(st.sampled_from(sorted(inner)))
        inner[name] = data.draw(JSON | NUMBERISH)
        reply = getattr(self.asking, method)(path, body)
        self.assert_answered(reply, (path, name, inner[name]))

    @settings(max_examples=40, deadline=None, suppress_health_check=list(HealthCheck))
    @given(NUMBERISH | st.text(alphabet="0123456789+:/., mlLtspgEeCN%½-", max_size=14))
    def test_any_strength_is_read_or_refused(self, said):
        body = bodies()[0][2] | {"strength": said}
        reply = self.asking.post("/api/bench/preview", body)
        self.assert_answered(reply, said)
        if reply.status_code == 200:
            self.assertGreater(reply.json()["amount"], 0)

    def test_odd_addresses_and_queries(self):
        for path in (
            "/api/notebook?before=0001-01-01T00:00:00Z",
            "/api/notebook?before=9999-12-31T23:59Z",
            "/api/notebook?stop=x",
            "/api/notebook?limit=1e9",
            "/api/season?ahead=999",
            "/api/season?ahead=x",
            f"/api/plantings/{new_id()}/page",
            "/api/crops/%00",
            "/api/crops/x%2Fy",
            "/api/crops/" + "x" * 3000,
            "/api/notebook?before=2026-07-01T00:00",
        ):
            with self.subTest(path):
                self.assert_answered(self.asking.get(path), path)
