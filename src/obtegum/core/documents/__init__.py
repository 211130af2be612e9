"""What is decided and found, each declared once: a file a step, and the house and its record made up from them."""
