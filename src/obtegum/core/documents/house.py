"""The house as it is decided, and what was done and found on its site: made up from the documents of the steps."""

from typing import Annotated

from pydantic import Field

from obtegum.core.documents.air import Air
from obtegum.core.documents.base import House, Record
from obtegum.core.documents.bend import Bending, TrialBend
from obtegum.core.documents.boards import Boards
from obtegum.core.documents.bows import MOST_OWN, Bows, OwnTube
from obtegum.core.documents.braces import Braced, Braces
from obtegum.core.documents.carries import Carries
from obtegum.core.documents.check_bows import MOST_BOWS, BowChecks
from obtegum.core.documents.cover import Cover
from obtegum.core.documents.drain import Drain
from obtegum.core.documents.earth import Pad
from obtegum.core.documents.ends import Ends
from obtegum.core.documents.fittings import Fittings
from obtegum.core.documents.frames import Frames
from obtegum.core.documents.hoist import Hoist
from obtegum.core.documents.hold import Hold, Poured, Pulls
from obtegum.core.documents.inside import Inside
from obtegum.core.documents.keep_pegs import Keep
from obtegum.core.documents.level import Level, Levels
from obtegum.core.documents.names import Names
from obtegum.core.documents.plumb import MOST_READ, BowsStand, Plumb, PlumbRound
from obtegum.core.documents.plumb import MOST_ROUNDS as MOST_PLUMB
from obtegum.core.documents.posts import Posts
from obtegum.core.documents.row import MOST_POSTS, PostRow, PostsBuilt
from obtegum.core.documents.runs import Runs
from obtegum.core.documents.set_out import SetOut, Site
from obtegum.core.documents.sheets import Sheets
from obtegum.core.documents.sides import Sides
from obtegum.core.documents.size import Size
from obtegum.core.documents.soil import Soil
from obtegum.core.documents.square_up import MOST_ROUNDS, Taping
from obtegum.core.documents.start import Start
from obtegum.core.documents.strength import Strength
from obtegum.core.documents.weather import Weather

__all__ = ["HouseDesign", "SiteRecord"]


class HouseDesign(House):
    """One house as decided, in metres; lengths are between tube centres."""

    size: Size
    set_out: SetOut
    posts: Posts
    bows: Bows
    own_tubes: Annotated[tuple[OwnTube, ...], Field(max_length=MOST_OWN)] = ()
    inside: Inside = Inside()
    bending: Bending = Bending()
    keep: Keep = Keep()
    level: Level = Level()
    pad: Pad = Pad()
    drain: Drain = Drain()
    site: Site = Site()
    start: Start = Start()
    names: Names = Names()
    weather: Weather = Weather()
    strength: Strength = Strength()
    fittings: Fittings = Fittings()
    cover: Cover = Cover()
    sheets: Sheets = Sheets()
    sides: Sides = Sides()
    hoist: Hoist = Hoist()
    air: Air = Air()
    soil: Soil = Soil()
    hold: Hold = Hold()
    row: PostRow = PostRow()
    runs: Runs = Runs()
    braces: Braces = Braces()
    boards: Boards = Boards()
    plumb: Plumb = Plumb()
    ends: Ends = Ends()
    frames: Frames = Frames()
    carries: Carries = Carries()


class SiteRecord(Record):
    """What was done and found on site: ticks; the round of taping under way and the ones before it; levels;
    the bend that was tried; posts pulled at, the day they were poured, as they stand;
    the standing frame, round by round; the bows as measured."""

    taped: Taping = Taping()
    earlier: Annotated[tuple[Taping, ...], Field(max_length=MOST_ROUNDS)] = ()
    levels: Levels = Levels()
    trial: TrialBend = TrialBend()
    pulls: Pulls = Pulls()
    poured: Poured = Poured()
    row: PostsBuilt = Field(default_factory=dict, max_length=MOST_POSTS)
    braced: Braced = Braced()
    plumb: BowsStand = Field(default_factory=dict, max_length=MOST_READ)
    plumb_earlier: Annotated[tuple[PlumbRound, ...], Field(max_length=MOST_PLUMB)] = ()
    bows: BowChecks = Field(default_factory=dict, max_length=MOST_BOWS)
