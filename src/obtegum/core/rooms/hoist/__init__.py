"""Film day: who is needed, in what weather, with what room, and the sheet's way over the house, drawn."""
