"""Need beside supply: the books of a planting, what is short, what a test found."""
