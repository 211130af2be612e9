"""What it carries: snow on the roof and gusts that are felt, what gives first, and the card that hangs in the house."""

# What other rooms may use besides its decisions and findings.
OFFERS = ("gust", "snow")
