"""Frames that a house could have: each tried as its own plan would, mapped, offered, and what parts of one buy."""
