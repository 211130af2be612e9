"""set_out"""
