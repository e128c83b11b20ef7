"""The Season: strips, the page of a planting, dry feeds, weather."""
