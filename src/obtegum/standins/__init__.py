"""Simulated instruments and services, for the demo and the tests."""
