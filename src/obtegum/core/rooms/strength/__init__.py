"""Strength: one bow under all the weather of its place, and how close to its limit it comes."""
