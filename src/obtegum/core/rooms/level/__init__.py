"""level"""
