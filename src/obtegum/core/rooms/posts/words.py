"""What Posts says of what it judges and refuses."""

__all__ = [
    "bow_too_thick",
    "flat_on_board",
    "forced_in",
    "goes_in",
    "laps_stub",
    "off_board",
    "rocks",
    "saw_cut",
    "stands_bare",
    "stub_leans",
    "stub_too_thick",
    "taken_up",
]


def rocks(one: str, gap: str, lean: str, over: bool) -> str:
    how = f"a {one} that fills it" if over else "a tube that fits"
    return f"Bow and {one} leave {gap} between them, so the bow rocks by {lean}: {how}, or longer in it."


def taken_up(top: str, lean: str, off: str, by_play: bool) -> str:
    takes = "the socket’s play takes up" if by_play else "a hand takes up"
    return f"At the {top} the bow leans {lean} and stands {off} off centre, which {takes}."


def forced_in(top: str, lean: str, off: str, lean_beyond: str, off_beyond: str, by_hand: bool) -> str:
    beyond = f"{lean_beyond} and {off_beyond} beyond the socket’s play"
    how = "so it is forced in by hand, and that stays in it" if by_hand else "more than hands force in"
    return f"At the {top} the bow leans {lean} and stands {off} off centre: {beyond}, {how}."


def saw_cut(each: int, stick: str, shorter: str, come: int, fewer: int, sticks: int) -> str:
    return (
        f"The saw’s cut leaves {each} from a stick of {stick}: each {shorter} shorter, {come} come from it, and "
        f"{fewer} sticks do for {sticks}."
    )


def stands_bare(bare: str, one: str, share: str) -> str:
    return (
        f"For {bare} over the ground the {one} alone bears the bow, with {share} of its "
        "strength: let the bow come down over it."
    )


def goes_in(over: bool, one: str, deep: str) -> str:
    return f"The bow goes {'over' if over else 'into'} its {one} plumb and in line, {deep} deep."


def stub_too_thick(od: str, bore: str) -> str:
    return f"A stub that measures {od} does not go into a bow with a {bore} bore."


def bow_too_thick(od: str, one: str, bore: str) -> str:
    return f"A {od} bow tube does not slide into a {one} with a {bore} bore."


def laps_stub(at_ground: str) -> str:
    return f"The stub goes on as the bow does: it leans {at_ground} at the ground, so that the two lap flat."


def flat_on_board(gap: str) -> str:
    return f"The bow lies flat on its board, {gap} off at the most."


def off_board(lean: str, gap: str) -> str:
    return f"The bow leans {lean} and stands {gap} off its board at one end: a wedge behind it, or a leg to stand on."


def stub_leans(lean: str) -> str:
    return f"The pipe leans {lean} over its stub: drive each stub leaning as much, its top toward the other side."
