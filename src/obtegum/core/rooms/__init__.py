"""The rooms of the house in working order, and the documents that their parts make up.

A room is one step of the work: a folder here with what `obtegum.core.room` names. To add one, write its
folder, name it in ROOMS, and stand what it decides (or what it finds on site) among the fields below.
"""

from typing import Annotated

from pydantic import Field

from obtegum.core.house import House, Record
from obtegum.core.rooms.air.decisions import Air
from obtegum.core.rooms.bend.decisions import Bending, TrialBend
from obtegum.core.rooms.boards.decisions import Boards
from obtegum.core.rooms.bows.decisions import MOST_OWN, Bows, OwnTube
from obtegum.core.rooms.braces.decisions import Braced, Braces
from obtegum.core.rooms.carries.decisions import Carries
from obtegum.core.rooms.check_bows.decisions import MOST_BOWS, BowChecks
from obtegum.core.rooms.cover.decisions import Cover
from obtegum.core.rooms.drain.decisions import Drain
from obtegum.core.rooms.earth.decisions import Pad
from obtegum.core.rooms.ends.decisions import Ends
from obtegum.core.rooms.fittings.decisions import Fittings
from obtegum.core.rooms.frames.decisions import Frames
from obtegum.core.rooms.hoist.decisions import Hoist
from obtegum.core.rooms.hold.decisions import Hold, Poured, Pulls
from obtegum.core.rooms.inside.decisions import Inside
from obtegum.core.rooms.keep_pegs.decisions import Keep
from obtegum.core.rooms.level.decisions import Level, Levels
from obtegum.core.rooms.names.decisions import Names
from obtegum.core.rooms.plumb.decisions import MOST_READ, BowsStand, Plumb, PlumbRound
from obtegum.core.rooms.plumb.decisions import MOST_ROUNDS as MOST_PLUMB
from obtegum.core.rooms.posts.decisions import Posts
from obtegum.core.rooms.row.decisions import MOST_POSTS, PostRow, PostsBuilt
from obtegum.core.rooms.runs.decisions import Runs
from obtegum.core.rooms.set_out.decisions import SetOut, Site
from obtegum.core.rooms.sheets.decisions import Sheets
from obtegum.core.rooms.sides.decisions import Sides
from obtegum.core.rooms.size.decisions import Size
from obtegum.core.rooms.soil.decisions import Soil
from obtegum.core.rooms.square_up.decisions import MOST_ROUNDS, Taping
from obtegum.core.rooms.start.decisions import Start
from obtegum.core.rooms.strength.decisions import Strength
from obtegum.core.rooms.weather.decisions import Weather

__all__ = ["ROOMS", "HouseDesign", "SiteRecord"]

ROOMS = (
    "start",
    "size",
    "inside",
    "set_out",
    "square_up",
    "keep_pegs",
    "level",
    "earth",
    "drain",
    "soil",
    "weather",
    "names",
    "posts",
    "bows",
    "strength",
    "frames",
    "hold",
    "row",
    "bend",
    "check_bows",
    "runs",
    "fittings",
    "braces",
    "boards",
    "plumb",
    "ends",
    "cover",
    "sheets",
    "sides",
    "hoist",
    "air",
    "carries",
)


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
