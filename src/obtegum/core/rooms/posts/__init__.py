"""Posts: how a bow stands, of what, how long, how deep, and whether it enters."""
