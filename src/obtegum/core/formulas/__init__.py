"""The physics, one subject each: pure functions of values."""
