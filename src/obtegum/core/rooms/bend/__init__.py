"""Bend: the former, what springs back, the pulls and their marks, the trial bend, and the house that it makes."""
