"""Boards: hip boards and rails along the sides, base boards one or two high, their splices and bolts."""
