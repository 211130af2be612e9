"""Earth: a pad cut, filled or raised, what moving it takes, and stone by mass."""
