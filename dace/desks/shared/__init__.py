"""What several screens use: figures and advice on their way out, the facts of a stop."""
