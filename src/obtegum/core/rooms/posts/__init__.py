"""posts"""
