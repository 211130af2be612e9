"""The house as a whole: its plan, changes, ways out, cards, packs, and the houses to begin with."""
