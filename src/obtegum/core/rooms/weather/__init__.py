"""Weather: snow and wind at this place, as the grower's own figures say, and what stands beside them."""
