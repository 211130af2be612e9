"""square_up"""
