"""Whole simulated seasons: what each way of feeding leaves plants short of, and washes out.

It shares no code with the core's root zone. Pots have five layers and paths that bypass them;
plants have a store, and starved ones grow less and drink less; rain and heat are of its own
weather. Only the tables of crops are the project's, read from their files.
"""
