"""bows"""
