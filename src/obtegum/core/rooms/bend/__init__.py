"""bend"""
