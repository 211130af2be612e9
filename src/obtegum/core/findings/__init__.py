"""What is found of a house, kept with what it read, and the bench that it lies on."""
