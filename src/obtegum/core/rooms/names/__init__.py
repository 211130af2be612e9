"""By its name: what a thing that is sold by a name truly measures, in every way that the name can be read."""
