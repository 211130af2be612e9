"""Snow and wind at the place: the grower's figures, where each is from, and how house and spot stand to them."""

from typing import Annotated, Literal

from obtegum.core.documents.numbers import Decisions, Number, Text, choice

__all__ = ["OwnFactors", "Weather"]

MOST = 120
WHERE = "map, office, neighbour: prints beside it"
Why = Annotated[str, Text("Why", MOST, "prints beside it")]
Pressure = Annotated[float | None, Number("Pressure", 0.0, 15000.0, "pressure")]


class OwnFactors(Decisions):
    """Coefficients that code and chart leave open, as a user has them in place of this program's, each with a reason.

    Named as in `obtegum.core.formulas.weather.own`; what isn't told stays this program's choice.
    """

    hill: Annotated[float | None, Number("Hill or ridge", 1.0, 3.0, "factor", hint="Kzt or co; flat ground: 1")] = None
    hill_why: Why = ""
    legs: Annotated[
        float | None,
        Number("Legs are walls from", 0.0, 1.0, "share", hint="of the height; else part of the arch: 25 %"),
    ] = None
    legs_why: Why = ""
    windward: Annotated[
        float | None, Number("Windward quarter", -3.0, 2.0, "factor", hint="Cp or cpe, read off the chart")
    ] = None
    windward_why: Why = ""
    centre: Annotated[
        float | None, Number("Centre half", -3.0, 2.0, "factor", hint="Cp or cpe, read off the chart")
    ] = None
    centre_why: Why = ""
    leeward: Annotated[
        float | None, Number("Leeward quarter", -3.0, 2.0, "factor", hint="Cp or cpe, read off the chart")
    ] = None
    leeward_why: Why = ""
    along: Annotated[
        float | None, Number("Roof, wind along", -3.0, 2.0, "factor", hint="in place of the zones from the end")
    ] = None
    along_why: Why = ""
    opened: Annotated[
        float | None, Number("Inside, an end open", 0.0, 1.5, "factor", hint="GCpi 0.55, or cpi 0.72 windward")
    ] = None
    opened_why: Why = ""
    drift: Annotated[
        float | None, Number("Drift at its most", 0.0, 5.0, "factor", hint="of flat-roof snow, 2/Ce; or the vault’s μ3")
    ] = None
    drift_why: Why = ""
    slid: Annotated[
        float | None, Number("Slid snow pushes", 0.0, 1.5, "factor", hint="of its weight; 0.5 is a stand-in")
    ] = None
    slid_why: Why = ""


class Weather(Decisions):
    """Figures of snow and wind, Pa and m/s. What nobody told stays not known: nothing is taken for granted.

    ``stand_in`` takes made-up figures in place of those that are missing, to play with; nothing is built by them.
    """

    method: Annotated[
        Literal["units", "us", "eu", "given"],
        choice(
            "Reckoned by",
            units="the method of its units",
            us="US method (ASCE 7-16)",
            eu="European method (EN 1991)",
            given="pressures that an engineer gave",
        ),
    ] = "units"
    ground_snow_pa: Annotated[
        float | None, Number("Snow on the ground", 0.0, 15000.0, "pressure", hint="your local figure")
    ] = None
    snow_from: Annotated[str, Text("Snow figure from", MOST, WHERE)] = ""
    snow_edition: Annotated[
        Literal["untold", "7-16", "7-22"],
        choice(
            "Snow figure by",
            hint="a figure of 7-22 is of strength, for its use of the house",
            **{
                "untold": "not told: taken as ASCE 7-16’s",
                "7-16": "ASCE 7-10 or 7-16, of 50 years",
                "7-22": "ASCE 7-22, of strength",
            },
        ),
    ] = "untold"
    wind_mps: Annotated[float | None, Number("Wind", 5.0, 110.0, "speed", hint="your local figure")] = None
    wind_from: Annotated[str, Text("Wind figure from", MOST, WHERE)] = ""
    openness: Annotated[
        Literal["ask", "woods", "country", "coast"],
        choice("Country", ask="not told yet", woods="woods or town", country="open", coast="flat, by open water"),
    ] = "ask"
    shelter: Annotated[
        Literal["ask", "open", "part", "sheltered"],
        choice(
            "Wind at the spot", ask="not told yet", open="blows snow off", part="now and then", sheltered="hardly any"
        ),
    ] = "ask"
    use: Annotated[
        Literal["ask", "plants", "people"],
        choice("Inside are", ask="not told yet", plants="plants, rarely people", people="people, public or work"),
    ] = "ask"
    heat: Annotated[
        Literal["ask", "none", "frost_free", "heated"],
        choice(
            "In winter",
            ask="not told yet",
            none="not heated",
            frost_free="just frost-free",
            heated="10 °C and warmer, with an alarm",
        ),
    ] = "ask"
    film: Annotated[
        Literal["ask", "on", "off"], choice("Film in winter", ask="not told yet", on="stays on", off="comes off")
    ] = "ask"
    cover: Annotated[Literal["film", "cloth"], choice("Cover", film="film or sheet", cloth="shade cloth or net")] = (
        "film"
    )
    layers: Annotated[
        Literal["one", "two"], choice("Layers of film", one="one", two="two, with air blown between them")
    ] = "one"
    open_share: Annotated[
        float, Number("Open, of the cloth", 0.0, 1.0, "share", hint="100 less what it shades; 0: as film")
    ] = 0.5
    open_from: Annotated[str, Text("Open share from", MOST, "the seller’s sheet: prints beside it")] = ""
    cloth: Annotated[
        Literal["full", "dry"],
        choice("Cloth in wind", full="wet, iced or full of leaves: as film", dry="dry and clean: wind goes through"),
    ] = "full"
    sides: Annotated[
        Literal["ask", "free", "cleared", "beside", "blocked"],
        choice(
            "At the sides",
            ask="not told yet",
            free="room for slid snow",
            cleared="room, and it is cleared away",
            beside="another house",
            blocked="no room: snow stays on",
        ),
    ] = "ask"
    doors: Annotated[
        Literal["may", "shut"],
        choice("Doors in a storm", may="may stand open", shut="shut, every time: one open is an accident"),
    ] = "may"
    gap_m: Annotated[float | None, Number("Gap to the next house", 0.3, 60.0, hint="from side to side")] = None
    altitude_m: Annotated[float, Number("Above the sea", 0.0, 4500.0, hint="below 1,000 m nothing is safer than 0")] = (
        0.0
    )
    even_pa: Annotated[float | None, Number("Snow on the roof, even", 0.0, 15000.0, "pressure")] = None
    drift_pa: Annotated[
        float | None, Number("Snow on one half", 0.0, 15000.0, "pressure", hint="the other half bare")
    ] = None
    up_pa: Annotated[float | None, Number("Wind lifting", 0.0, 8000.0, "pressure", hint="on the whole roof")] = None
    across_pa: Annotated[
        float | None, Number("Wind pushing", 0.0, 8000.0, "pressure", hint="in on one half, out on the other")
    ] = None
    given_from: Annotated[str, Text("Pressures from", MOST, WHERE)] = ""
    own: OwnFactors = OwnFactors()
    stand_in: Annotated[
        Literal["none", "plain"],
        choice("What is missing", none="stays not known", plain="open plain, hard winter: to play with"),
    ] = "none"
