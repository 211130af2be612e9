"""inside"""
