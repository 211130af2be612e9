"""Check bows: each one measured on the floor, which to accept, bend again, and stand beside which."""
