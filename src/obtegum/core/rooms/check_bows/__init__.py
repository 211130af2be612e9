"""check_bows"""
