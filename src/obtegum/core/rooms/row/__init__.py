"""The row: each post as it was built, against its place, its string, its height and plumb."""
