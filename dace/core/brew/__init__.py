"""Home-made liquids: recipe, extraction, acid, what a brew holds day by day, bottles, claims."""
