"""drain"""
