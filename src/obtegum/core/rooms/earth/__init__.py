"""earth"""
