"""What Inside says of what it judges and refuses."""

from obtegum.core.drawing.verdict import Level

__all__ = [
    "bed_reach",
    "beds_fit",
    "crop_room",
    "no_bed_fits",
    "no_bed_long",
    "path_room",
    "too_much",
    "wall_reach",
]


def beds_fit(wide: str, left: str) -> str:
    over = f", {left} left over at the right" if left else ""
    return f"Beds and paths fit on {wide}{over}."


def path_room(room: str, path: str, tall: str, level: Level) -> str:
    how = {"holds": "walks upright", "tight": "just clears it", "fails": "stoops all day"}[level]
    low = "Too low at the side. " if level == "fails" else ""
    return f"{low}{room} over {path}: a {tall} grower {how}."


def crop_room(room: str, where: str, tall: str, level: Level) -> str:
    how = {"holds": "has room", "tight": "touches", "fails": "does not fit"}[level]
    return f"{room} over the middle of {where}: a crop or trellis of {tall} {how}."


def wall_reach(across: str, arm: str, usual: str, level: Level) -> str:
    how = {
        "holds": f"an arm of {arm} reaches; {usual} is the trade’s usual",
        "tight": f"past an arm’s {arm}, within the trade’s usual {usual}: a stoop at its back",
        "fails": f"past an arm’s {arm} and the trade’s usual {usual}: one kneels in it to reach its back",
    }[level]
    return f"{across} across the bed along the wall, from its path: {how}."


def bed_reach(across: str, arm: str, level: Level) -> str:
    how = {
        "holds": "an arm reaches",
        "tight": "an arm just reaches",
        "fails": "no arm reaches without kneeling in it",
    }[level]
    return f"{across} to the middle of a bed: {how} ({arm})."


def no_bed_fits(wide: str) -> str:
    return f"No bed of that width fits on a floor of {wide}."


def no_bed_long(long: str) -> str:
    return f"What is kept clear at the ends leaves no bed in {long}."


def too_much(takes: str, wide: str, over: str) -> str:
    return f"Beds and paths take {takes}, and the floor is {wide}: {over} too much."
