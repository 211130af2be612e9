"""What Bows says of what it judges and refuses."""

from obtegum.core.findings.skeleton.shapes import SHAPE_LABELS

__all__ = [
    "cut_them",
    "fewer_told",
    "joint_at_crown",
    "left_of_all",
    "left_of_each",
    "nearest_sticks",
    "no_house",
    "no_sleeve",
    "no_sticks",
    "pieces_off",
    "short_piece",
]


OTHER_STICK = " Another stick length is worth a look."


def no_house(joined: str, width: str, flat: str, legs: bool) -> str:
    """Pieces that make no house of a shape; how high they would stand as one flatter arc, or whether legs may."""
    said = f"Joined, these pieces are {joined} long, and make no house of this shape {width} wide."
    if flat:
        return f"{said} As {SHAPE_LABELS['round']}, they would stand {flat} high."
    return f"{said} Longer or shorter legs, or another width, may." if legs else said


def no_sticks(sticks: int, stick: str, width: str) -> str:
    what = f"{sticks} whole sticks of {stick} a bow make" if sticks > 1 else f"One whole stick of {stick} a bow makes"
    return f"{what} no house of this shape {width} wide."


def cut_them(sticks: int, stick: str, width: str) -> str:
    return f"{no_sticks(sticks, stick, width)} Cut them, or take another shape."


def nearest_sticks(sticks: int, stick: str, width: str, nearest: int) -> str:
    return f"{no_sticks(sticks, stick, width)} The nearest number is {nearest}."


def left_of_each(left: str, sticks: str, stick: str, share: str, fails: bool) -> str:
    return f"Each bow leaves {left} of its {sticks} of {stick}: {share}.{OTHER_STICK if fails else ''}"


def left_of_all(left: str, sticks: str, stick: str, share: str, fails: bool) -> str:
    other = OTHER_STICK if fails else ""
    return f"All bows leave {left} of their {sticks} of {stick}, short pieces sharing: {share}.{other}"


def joint_at_crown(own: bool) -> str:
    moves = "Its sleeve or bolts are the first to look at in a storm." if own else "Another stick length moves it."
    return f"A joint lands at the crown, where a plain joint is weakest. {moves}"


def no_sleeve(play: str) -> str:
    """A sleeve that has ``play`` over the tube; none slides over it where there is nothing."""
    what = f"The closest tube over it has {play} of play" if play else "No tube here slides over it"
    return f"{what}, so a sleeve of tube won’t hold the joint straight: a coupler, or swaged ends."


def short_piece(name: str, long: str, least: str) -> str:
    return f"Stick {name} is only {long}: under {least} it can’t hold a joint."


def fewer_told(needed: int, sticks: int) -> str:
    return f"A bow so wide and high takes {needed} sticks, and {sticks} were told: used whole, these stand lower."


def pieces_off(joined: str, wanted: str, off: str, short: str) -> str:
    return f"Joined, the pieces are {joined}, and this width and height take {wanted}: {off} {short}."
