"""Cover: the sheet, whether it reaches, how it is held, and what wind pulls on it."""

OFFERS = ("pulls",)
