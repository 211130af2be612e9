"""What Hold says of what it judges and refuses."""

from obtegum.core.values.trouble import begun

__all__ = [
    "bow_first",
    "link_unknown",
    "no_day",
    "not_lifted",
    "not_told",
    "parts",
    "press_unknown",
    "pressed",
    "push_unknown",
    "pushed",
    "weakest",
]


def not_told(reason: str) -> str:
    return f"What holds it down isn’t known. {reason}"


def bow_first() -> str:
    return "The bow gives way before its feet do."


def not_lifted(many: str) -> str:
    return f"Nothing lifts the {many}."


def parts(many: str, lift: str, link: str, held: str, gust: str, weather: str, source: str) -> str:
    """A link that is too weak, and the gust at which it parts, where one is known."""
    at = f", and parts at a gust of {gust}" if gust else ""
    return f"Wind lifts the {many} by {lift} each; {link} holds {held}{at}: {weather}. {begun(source)}."


def link_unknown(many: str, lift: str, link: str, source: str) -> str:
    return f"Wind lifts the {many} by {lift} each. What {link} holds isn’t known: {source}."


def weakest(many: str, lift: str, link: str, held: str, weather: str) -> str:
    return f"Wind lifts the {many} by {lift} each; the weakest link, {link}, holds {held}: {weather}."


def push_unknown(many: str, push: str, source: str) -> str:
    return f"The {many} are pushed sideways by {push}. {begun(source)}."


def pushed(many: str, push: str, held: str, deep: str, weather: str) -> str:
    """Posts that are pushed sideways; so ``deep`` in the ground they would stand it, where that is known."""
    would_do = f", and {deep} in the ground would do" if deep else ""
    return (
        f"The {many} are pushed sideways by {push}; the ground holds {held} there{would_do}: {weather}. Slim {many} "
        "often fail this on paper: test."
    )


def press_unknown(many: str, press: str, source: str) -> str:
    return f"The {many} are pressed down by {press}. {begun(source)}."


def pressed(many: str, press: str, held: str, weather: str) -> str:
    return f"The {many} are pressed down by {press}; the ground bears {held}: {weather}."


def no_day(told: str) -> str:
    return f"“{told}” is no day. Write it like 2026-05-31."
