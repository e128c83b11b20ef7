"""The Shelf: jars, bottles, brews, recipes and claims."""
