"""End walls: studs, jambs and header cut to the curve, the doorway and its leaf, front and back each its own."""

# What other rooms may use besides its decisions and findings.
OFFERS = ("air", "blown", "pulled")
