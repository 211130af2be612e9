"""Ground posts: sleeves, and whether the bow enters them."""
