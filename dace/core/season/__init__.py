"""Crops and their stages over the year: clock, climate, weather, need."""
