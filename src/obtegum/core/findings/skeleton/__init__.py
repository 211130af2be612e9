"""The skeleton of a house, which every step reads: its tubes, bays, line, posts, bows, runs, as they are decided."""
