"""Obtegum: lay out, bend, build and keep a hoop house."""

__version__ = "0.1.0"
