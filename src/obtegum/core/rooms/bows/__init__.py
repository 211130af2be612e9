"""Bows: radius, girth, tube per bow, and every mark on every stick."""
