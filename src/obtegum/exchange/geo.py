"""The setting-out as GeoJSON: placed on the globe from corner A and a bearing, or in local metres.

Placed, it follows RFC 7946 (longitude, latitude, WGS 84). A house is small, so its plane touches the
ellipsoid at A: metres are turned into degrees by the radii of curvature there (error below 1 mm over
300 m). Without a place the coordinates are metres from A, which the file says of itself.
Source: WGS 84, a = 6378137 m, 1/f = 298.257223563; radii of curvature as in any text on geodesy.
"""

import json
import math
from collections.abc import Callable
from typing import Any

from obtegum.core.rooms.set_out.found import pegs_of, strung
from obtegum.core.setout.how import corner_places
from obtegum.core.setout.offsets import offset_pegs
from obtegum.core.work import Work

__all__ = ["placing", "setting_out_geojson"]

EQUATOR_M = 6378137.0
FLATTENING = 1 / 298.257223563
Point = tuple[float, float]


def placing(latitude: float, longitude: float, bearing: float) -> Callable[[float, float], Point]:
    """From metres along A to B and across toward D to longitude and latitude, degrees.

    D lies on the right hand of one who walks from A to B.
    """
    phi, turn = math.radians(latitude), math.radians(bearing)
    e2 = FLATTENING * (2 - FLATTENING)
    w = math.sqrt(1 - e2 * math.sin(phi) ** 2)
    meridian_m, normal_m = EQUATOR_M * (1 - e2) / w**3, EQUATOR_M / w

    def place(along_m: float, across_m: float) -> Point:
        east = along_m * math.sin(turn) + across_m * math.cos(turn)
        north = along_m * math.cos(turn) - across_m * math.sin(turn)
        return (
            longitude + math.degrees(east / (normal_m * math.cos(phi))),
            latitude + math.degrees(north / meridian_m),
        )

    return place


def setting_out_geojson(work: Work) -> str:
    """Base, corners, pegs, offset pegs and spots as features with their names and readings."""
    site = work.design.site
    placed = site.latitude is not None and site.longitude is not None and site.bearing is not None
    if placed:
        assert site.latitude is not None and site.longitude is not None and site.bearing is not None
        place = placing(site.latitude, site.longitude, site.bearing)
    else:

        def place(along_m: float, across_m: float) -> Point:
            return along_m, -across_m

    decimals = 9 if placed else 4

    def at(x: float, y: float) -> list[float]:
        return [round(value, decimals) + 0.0 for value in place(x, y)]

    def point(x: float, y: float, **told: object) -> dict[str, Any]:
        return {"type": "Feature", "geometry": {"type": "Point", "coordinates": at(x, y)}, "properties": told}

    corners = corner_places(*strung(work))
    ring = [at(*corners[letter]) for letter in "ADCBA"]
    features: list[dict[str, Any]] = [
        {
            "type": "Feature",
            "geometry": {"type": "Polygon", "coordinates": [ring]},
            "properties": {"kind": "base", "name": work.design.name},
        }
    ]
    features += [point(x, y, kind="corner", name=letter) for letter, (x, y) in corners.items()]
    levels = work.record.levels
    for peg in pegs_of(work):
        name, y = f"{peg.side}{peg.bow}", 0.0 if peg.side == "L" else strung(work)[1]
        features.append(
            point(peg.reading_m, y, kind="peg", name=name, station_m=peg.station_m, rod_m=levels.pegs.get(name))
        )
    features += [
        point(*kept.at, kind="offset peg", name=kept.name)
        for kept in offset_pegs(*strung(work), work.design.keep.offset_m)
    ]
    features += [point(spot.x_m, spot.y_m, kind="spot", rod_m=spot.reading_m) for spot in levels.spots.values()]
    told = "WGS 84" if placed else "metres from corner A: first along A to B, then to the left of it; D lies below zero"
    collection = {"type": "FeatureCollection", "coordinates_are": told, "features": features}
    return json.dumps(collection, ensure_ascii=False, indent=1) + "\n"
