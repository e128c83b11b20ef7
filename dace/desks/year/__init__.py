"""The year round: what is over, what follows, who is away."""
