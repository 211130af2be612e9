"""Drain: the uphill side, the run-off in the design rain, and the pipe that carries it."""
