"""Fittings: pipe glued into tees and crosses: what each takes up, every cut, which way it faces, in which order."""
