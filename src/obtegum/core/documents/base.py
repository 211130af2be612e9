"""What every house has, whatever rooms there are: a name, a tape, ticks; the rooms' parts stand beside these."""

from collections.abc import Iterator
from hashlib import blake2b
from typing import TYPE_CHECKING, Annotated, Literal, Self, cast
from unicodedata import category

from pydantic import Field, field_validator, model_validator
from pydantic_core import PydanticCustomError

from obtegum.core.documents.numbers import Decisions
from obtegum.core.formulas.setout.base import PEG
from obtegum.core.values.amount import HOUR_S
from obtegum.core.values.base import Part
from obtegum.core.values.quantity import Tape
from obtegum.core.values.trouble import DesignError, Trouble

if TYPE_CHECKING:
    from obtegum.core.documents.house import HouseDesign

__all__ = ["CARD", "TALLIES", "TICK", "House", "Photo", "Record", "Shift", "Tally", "troubles_between"]

# A peg or post, by side and bow.
TICK = f"^(peg|post):{PEG}$"
# A field card, by its step and its own name there.
CARD = r"^card:[a-z_-]{1,20}:[^\x00-\x1f]{1,80}$"
# More than the pegs and posts of a house of 300 m with bows 0.3 m apart.
MOST_TICKS = 6000
# Letters that count as printable and yet show nothing.
BLANK_LETTERS = "\u115f\u1160\u2800\u3164\uffa0"

Tick = Annotated[str, Field(pattern=f"{TICK}|{CARD}")]
Reading = Annotated[float, Field(ge=0, le=400)]
# An image goes by the hash of what is in it.
IMAGE = "^[0-9a-f]{32}$"
PhotoName = Annotated[str, Field(pattern=IMAGE)]


# Letters that turn the way that others are read in: Unicode's bidirectional marks, embeddings and isolates.
TURNING = frozenset("\u061c\u200e\u200f\u202a\u202b\u202c\u202d\u202e\u2066\u2067\u2068\u2069")


def _steers(letter: str) -> bool:
    """Whether a letter of a name says how others are shown instead of showing something."""
    return letter in TURNING or category(letter) in ("Cc", "Zl", "Zp")


class House(Part):
    """The base of a design, in metres; lengths are between tube centres."""

    schema_version: Literal[1] = 1
    name: str = Field(min_length=1, max_length=80)
    tape: Tape = Tape()

    @field_validator("name")
    @classmethod
    def _seen(cls, name: str) -> str:
        name = "".join(letter for letter in name if not _steers(letter))
        if not any(letter.isprintable() and not letter.isspace() and letter not in BLANK_LETTERS for letter in name):
            raise PydanticCustomError("unseen", "a name that can't be seen")
        return name

    @model_validator(mode="after")
    def _cross_checks(self) -> Self:
        found = list(troubles_between(cast("HouseDesign", self)))
        if found:
            raise PydanticCustomError("house", "the parts of the house don't fit", {"troubles": found})
        return self


def troubles_between(house: "HouseDesign") -> Iterator[Trouble]:
    """Values that are each in range but can't stand together, as each part finds them."""
    for name in type(house).model_fields:
        part = getattr(house, name)
        for place, each in enumerate(part if isinstance(part, tuple) else (part,)):
            if isinstance(each, Decisions):
                yield from each.misfits(house, f"{name}.{place}" if isinstance(part, tuple) else name)


Tally = Literal["loads", "posts", "bows", "bags", "trips"]
TALLIES: dict[Tally, str] = {
    "loads": "Loads",
    "posts": "Posts driven",
    "bows": "Bows up",
    "bags": "Bags mixed",
    "trips": "Trips",
}
MOST_TALLIED, MOST_SHIFTS, MOST_PHOTOS = 100_000, 2000, 500


# Nobody works on one step for longer without a break, s: beyond, a clock was left running, or was set.
LONGEST_SHIFT_S = 20 * HOUR_S
# The last moment that is kept, s since 1970.
LATEST_S = 1e11


class Shift(Part):
    """A stretch of work on a step, from and to, s since 1970; one that goes on has no end yet.

    ``sure``: somebody told how long it was.
    """

    step: str = Field(pattern="^[a-z-]{1,20}$")
    start_s: float = Field(ge=0, le=LATEST_S)
    stop_s: float | None = Field(default=None, ge=0, le=LATEST_S)
    sure: bool = False

    def doubtful(self, now_s: float) -> bool:
        """Whether its clock was set back while it ran, or ran for longer than anybody works: that is asked about."""
        worked_s = (now_s if self.stop_s is None else self.stop_s) - self.start_s
        # A clock that was set back is stopped where it began; one that was just started isn't.
        back = worked_s < 0 if self.stop_s is None else worked_s <= 0
        return not self.sure and (back or worked_s > LONGEST_SHIFT_S)

    def worked_s(self, now_s: float) -> float:
        """How long it was so far, s; nothing as long as that is doubtful."""
        return 0.0 if self.doubtful(now_s) else (now_s if self.stop_s is None else self.stop_s) - self.start_s


def _joined(shifts: tuple[Shift, ...], now_s: float) -> tuple[Shift, ...]:
    """One stretch fewer: the first that another one on its step came after goes into that one, and no time that was
    worked is lost. There are more of them than steps."""
    ended = [place for place, each in enumerate(shifts) if each.stop_s is not None]
    plain = [place for place in ended if not shifts[place].doubtful(now_s)]
    # Where nearly all are doubtful, time that nobody can believe is lost before any other.
    last = {shifts[place].step: place for place in ended} | {shifts[place].step: place for place in plain}
    first = next(place for place in (*plain, *ended) if last[shifts[place].step] > place)
    early, into = shifts[first], last[shifts[first].step]
    start_s = max(shifts[into].start_s - early.worked_s(now_s), 0.0)
    longer = shifts[into].model_copy(update={"start_s": start_s, "sure": True})
    return tuple(longer if place == into else each for place, each in enumerate(shifts) if place != first)


class Photo(Part):
    """A picture of the work: the card that it is of, the name of the image, and when it was taken, s since 1970.

    A card goes by its tick or, where there is none, by the measure that is written on it; what it told then, with its
    reading, stays with the picture.
    """

    card: str = Field(min_length=1, max_length=110, pattern=r"^[^\x00-\x1f]+$")
    told: str = Field(max_length=200)
    image: str = Field(pattern=IMAGE)
    taken_s: float = Field(ge=0, le=LATEST_S)


class Record(Part):
    """The base of a site record: pegs set, posts driven and cards done, each with the running reading it was set at, m.

    The reading is kept so that a change of the house afterwards shows which ones no longer stand
    where they should.
    """

    set_at_m: dict[Tick, Reading] = Field(default_factory=dict, max_length=MOST_TICKS)
    tallies: dict[Tally, Annotated[int, Field(ge=0, le=MOST_TALLIED)]] = Field(default_factory=dict)
    shifts: tuple[Shift, ...] = Field(default=(), max_length=MOST_SHIFTS)
    photos: dict[PhotoName, Photo] = Field(default_factory=dict, max_length=MOST_PHOTOS)

    def with_tally(self, what: Tally, by: int) -> Self:
        """A record with so many more, or fewer, of what is counted; never under none."""
        count = min(max(self.tallies.get(what, 0) + by, 0), MOST_TALLIED)
        return self.model_copy(update={"tallies": {**self.tallies, what: count}})

    def with_photo(self, photo: Photo) -> Self:
        """A record with a picture more; the same one of the same card stands once. Raises: DesignError for too many."""
        name = blake2b(f"{photo.card}\0{photo.image}".encode(), digest_size=16).hexdigest()
        if len(self.photos) >= MOST_PHOTOS and name not in self.photos:
            sentence = f"{MOST_PHOTOS} pictures are kept of a house already. Take some out that tell nothing."
            raise DesignError([Trouble(path="record.photos", sentence=sentence)])
        return self.model_copy(update={"photos": {**self.photos, name: photo}})

    def without_photo(self, name: str) -> Self:
        """A record without one of its pictures."""
        return self.model_copy(update={"photos": {each: kept for each, kept in self.photos.items() if each != name}})

    @property
    def running(self) -> Shift | None:
        """The stretch of work that goes on."""
        return self.shifts[-1] if self.shifts and self.shifts[-1].stop_s is None else None

    def clocked(self, step: str, now_s: float, on: bool) -> Self:
        """A record with work on a step begun, which ends what went on, or ended."""
        shifts = self.shifts
        if self.running is not None:
            ended = self.running.model_copy(update={"stop_s": max(now_s, self.running.start_s)})
            shifts = (*shifts[:-1], ended)
        if on:
            shifts = (*shifts, Shift(step=step, start_s=now_s))
        while len(shifts) > MOST_SHIFTS:
            shifts = _joined(shifts, now_s)
        return self.model_copy(update={"shifts": shifts})

    def worked_s(self, step: str, now_s: float) -> float:
        """Time that was worked on a step, s."""
        return sum(each.worked_s(now_s) for each in self.shifts if each.step == step)

    def doubted(self, now_s: float) -> Shift | None:
        """The first stretch of work whose clock nobody can believe."""
        return next((each for each in self.shifts if each.doubtful(now_s)), None)

    def told_worked(self, start_s: float, worked_s: float, now_s: float) -> Self:
        """A record with the doubtful stretch that began then as long as somebody says; it has ended.

        Raises: DesignError where none such is doubtful (any more).
        """
        asked = (at for at, each in enumerate(self.shifts) if each.start_s == start_s and each.doubtful(now_s))
        place = next(asked, None)
        if place is None:
            raise DesignError([Trouble(path="worked", sentence="That was answered before.")])
        told = self.shifts[place].model_copy(update={"stop_s": min(start_s + worked_s, LATEST_S), "sure": True})
        return self.model_copy(update={"shifts": (*self.shifts[:place], told, *self.shifts[place + 1 :])})

    def with_set(self, part: str, reading_m: float | None) -> Self:
        """A record with ``part`` set at a reading, or taken back when that is None."""
        kept = {name: at for name, at in self.set_at_m.items() if name != part}
        return self.model_copy(update={"set_at_m": kept if reading_m is None else {**kept, part: reading_m}})
