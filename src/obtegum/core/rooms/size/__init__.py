"""size"""
