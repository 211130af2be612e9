"""The web API: thin routers over core and store."""
