"""Bows: headroom under them, and the sticks of tube that they are made of."""
