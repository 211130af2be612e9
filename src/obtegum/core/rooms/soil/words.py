"""What Soil says of what it judges and refuses."""

__all__ = [
    "below_frost",
    "drains",
    "heaves",
]


def below_frost(many: str, deep: str, frost: str) -> str:
    return f"The {many} go {deep} deep, below the frost at {frost}."


def drains(frost: str, many: str, deep: str, soil: str) -> str:
    return f"Frost goes {frost} and the {many} {deep}; {soil} drains, and hardly lifts them."


def heaves(frost: str, many: str, deep: str, soil: str) -> str:
    return (
        f"Frost goes {frost}, the {many} only {deep}: {soil} lifts them a little each winter. Light houses often "
        "live with it: read their tops again each spring."
    )
