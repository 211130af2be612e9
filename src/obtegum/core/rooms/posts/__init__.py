"""Posts: how many, how long, how deep, and whether the bow enters them."""
