"""What things are made of: chemistry, conductivity, materials, media, waters, release."""
