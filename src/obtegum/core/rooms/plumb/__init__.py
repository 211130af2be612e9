"""Plumb: how the standing frame leans, which strap pulls which bow how far, and reading it again."""
