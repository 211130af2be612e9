"""Roll-up sides: bars, cranks, cords, how high they open, and what is in the curtain's way."""
