"""What Fittings says of what it judges and refuses."""

__all__ = [
    "cement_cold",
    "not_known",
    "shortest",
]


def shortest(short: str, least: str, fails: bool) -> str:
    meets = " The two fittings would meet before it is home: fewer runs, or a wider bay." if fails else ""
    return f"The shortest piece is {short}; both its ends go in, {least} together.{meets}"


def not_known(name: str) -> str:
    return f"Nobody has said what fittings take up of {name}: measure one, from its middle to a pipe’s end."


def cement_cold(now: str, least: str) -> str:
    return f"At {now} cement skins over and doesn’t bite: {least} is the least. Glue indoors, all of it warm."
