"""What is to come: the verdict asked of every day ahead, with what is on the shelf for it."""
