"""How a stop is fed: what is known of it, what is owed, how often, and with which source."""
