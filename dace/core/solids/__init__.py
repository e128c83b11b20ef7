"""What is made of solids: heaps, manure, soil mixes, green manure and mulch."""
