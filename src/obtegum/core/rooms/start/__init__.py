"""Start: what is known first, and the house that it makes."""
