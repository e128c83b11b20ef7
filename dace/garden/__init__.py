"""Places, what fills them, what grows there, waters and cans."""
