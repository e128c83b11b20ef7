"""What plants answer: scores with words, trials against luck, signs and their likely causes."""
