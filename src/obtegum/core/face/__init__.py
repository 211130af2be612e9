"""What a room may bring, and what it is made with."""
