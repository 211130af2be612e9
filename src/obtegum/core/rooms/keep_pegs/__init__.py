"""Keep pegs: offset pegs or gauge boards outside the digging, and the readings that find each peg again."""
