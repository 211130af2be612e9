"""What Bend says of what it judges and refuses."""

from collections.abc import Iterable, Sequence

from obtegum.core.rooms.strength.words import AID

__all__ = [
    "all_tail",
    "cold",
    "comes_out",
    "creases",
    "feet_bend",
    "feet_lean",
    "keeps_round",
    "kinks",
    "made_with",
    "never_set",
    "off_its_post",
    "sprung_for_good",
    "sprung_for_some_years",
    "sprung_steel",
    "sprung_too_tight",
    "stoops",
]


def feet_bend(one: str, number: str, limit: str, yields: bool) -> str:
    ways_out = f" It bends until the pipe stands where it likes: a stouter {one}, a shorter reveal, or loose feet."
    return f"Springing bends each {one} by {number} at the ground; it bears {limit}.{ways_out if yields else ''} {AID}"


def feet_lean(one: str, number: str, limit: str, fails: bool) -> str:
    settles = " It leans with the seasons, and the bow settles: deeper, concrete, or a pull test that says otherwise."
    wants = f"To keep its pipe plumb for good each {one} wants {number} in the ground; it has {limit}."
    return f"{wants}{settles if fails else ''} {AID}"


def sprung_for_good(tight: str, where: str, strain: str, good: str) -> str:
    return f"{_sprung(tight, where, strain)}: it bears {good} for good."


def sprung_steel(tight: str, where: str, strain: str, most: str) -> str:
    return f"{_sprung(tight, where, strain)} and takes a set: it yields at {most}. Bend steel on a former."


def sprung_too_tight(tight: str, where: str, strain: str, most: str) -> str:
    bent = _sprung(tight, where, strain)
    return f"{bent}: it whitens, kinks or creeps beyond {most}. A thinner pipe, a wider house, or heat over a form."


def sprung_for_some_years(tight: str, where: str, strain: str, good: str, left: str) -> str:
    return (
        f"{_sprung(tight, where, strain)}, over the {good} that it bears for good: it sags over the years, and keeps "
        f"{left} of its yield locked in after a season. Estimates; Strength says what snow is left."
    )


def _sprung(tight: str, where: str, strain: str) -> str:
    return f"Bent to {tight} {where}, the pipe is stretched by {strain}"


def comes_out(why: str, wide: str, high: str, lean: str, own: str, spoilt: Iterable[str], fails: bool) -> str:
    """How the bow comes out of its former; ``lean`` of its legs and the ``own`` radius of a bow that the former is
    too large for, where there are such."""
    said = [
        *([f"The former is larger than the bow’s own {own}, so no bend on it is tight enough."] if own else []),
        f"{why} the bow comes out {wide} and {high} than planned.",
        *([f"Its legs lean {lean}."] if lean else []),
        *spoilt,
        *(["Another former, or the house that this one makes, is better."] if fails else []),
    ]
    return " ".join(said)


def off_its_post(each: str, lean: str, off_beyond: str, lean_beyond: str, by_hand: bool) -> str:
    how = "forced in by hand, and that stays in it" if by_hand else "more than hands force in"
    return (
        f"Each end stands {each} off its post and leans {lean}: {off_beyond} and {lean_beyond} beyond the socket’s "
        f"play, {how}."
    )


def stoops(room: str) -> str:
    return f"The grower had {room} to spare and stoops then."


def made_with(came_out: Sequence[str], tailed: bool, tried: bool, springs_back: bool) -> str:
    """With which radii the bow is made: those that formers leave, none where they were made to suit."""
    if not came_out:
        return "Bent tighter to make up for its straight ends," if tailed else "On a former made to suit"
    if springs_back:
        return "Springing back straight,"
    what = "radius that your former leaves" if len(came_out) == 1 else "radii that your formers leave"
    by = ", by the trial," if tried else ""
    return f"With the {' and '.join(came_out)} {what}{by}{' and its straight ends' if tailed else ''}"


def keeps_round(tight: str, least: str) -> str:
    return f"Bent hot and full of sand to {tight}, it keeps its round: {least} is the least."


def creases(tight: str, least: str) -> str:
    return f"A bend of {tight} is tight even for hot pipe: below {least}, four diameters, it flattens or creases."


def cold() -> str:
    return (
        "Cold plastic pipe keeps no bend: between its feet it stands as sprung pipe does, not as this shape is drawn. "
        "Choose sprung pipe, or heat it over a form."
    )


def kinks(shown: str, limit: str) -> str:
    return f"A bend of {shown} radius is tight for this tube: below {limit}, six diameters, it flattens or kinks."


def all_tail(stick: str, tail: str, bend: str) -> str:
    return (
        f"Stick {stick} stays straight for {tail} at both ends together, which is all of its bend of "
        f"{bend}: nothing is left to grip. A former that grips nearer the end, or longer sticks."
    )


def never_set(shown: str, limit: str) -> str:
    return (
        f"On a former of {shown} this tube is never bent past yield and springs back straight. "
        f"It wants less than {limit}."
    )
