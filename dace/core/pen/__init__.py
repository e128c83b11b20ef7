"""What a pen's number means, and a logger's long table of them."""
