"""Stand-ins for the outside world, each behind the interface that the real thing would have."""
