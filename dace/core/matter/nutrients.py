"""The five nutrients that Dace follows, in one order everywhere."""

NUTRIENTS = ("N", "P", "K", "Ca", "Mg")
"""Always in this order."""

NUTRIENT_NAMES = {
    "N": "nitrogen",
    "P": "phosphorus",
    "K": "potassium",
    "Ca": "calcium",
    "Mg": "magnesium",
}
"""As one says them."""
