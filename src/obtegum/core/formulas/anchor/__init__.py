"""What holds a post: soil around it, concrete and plates in it, and what joins it to the bow.

Pure functions, SI. All capacities are allowable ones, to be set against loads without factors of their own.
"""
