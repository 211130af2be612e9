"""keep_pegs"""
