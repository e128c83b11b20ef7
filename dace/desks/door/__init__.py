"""The door: signing up, in and out, the demo, helpers."""
