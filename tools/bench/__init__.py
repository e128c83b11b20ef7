"""``make bench``: how long things take, each beside something plain in the same run."""
