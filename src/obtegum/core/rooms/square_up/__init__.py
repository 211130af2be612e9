"""Square up: what was taped between the corners, what it says of the base, and which peg moves."""
