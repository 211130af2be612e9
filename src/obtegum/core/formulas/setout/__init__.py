"""Setting out: the base rectangle, the bays, and a running reading for every peg."""
