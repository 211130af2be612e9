"""Links to instruments on site. Each speaks to a real one or to its stand-in in the same way."""
