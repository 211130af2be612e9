"""Inside: beds and paths across the floor, reach, and height for people and crops under the bow."""
