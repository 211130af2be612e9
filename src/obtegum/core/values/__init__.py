"""Values that everything is made of: their base, lengths, amounts, days, what is wrong with one; the catalogue."""
