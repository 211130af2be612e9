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

from obtegum.core.face.faces import SiteLine
from obtegum.core.findings.work import Work
from obtegum.core.rooms import rooms

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
    """What the rooms have on the ground as features with their names and readings; contour lines are left to CAD."""
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

    def feature(shape: str, coordinates: object, **told: object) -> dict[str, Any]:
        return {"type": "Feature", "geometry": {"type": shape, "coordinates": coordinates}, "properties": told}

    features: list[dict[str, Any]] = []
    for each in (thing for room in rooms() for thing in room.on_site(work)):
        if isinstance(each, SiteLine):
            # Only what encloses ground is told to a map: strings and contour lines would clutter it.
            if each.path[0] == each.path[-1]:
                ring = [at(x, y) for x, y in each.path]
                features.append(feature("Polygon", [ring], kind=each.kind, name=each.name))
            continue
        named = {"name": each.name} if each.name else {}
        features.append(feature("Point", at(*each.at), kind=each.kind, **named, **each.told))
    told = "WGS 84" if placed else "metres from corner A: first along A to B, then to the left of it; D lies below zero"
    collection = {"type": "FeatureCollection", "coordinates_are": told, "features": features}
    return json.dumps(collection, ensure_ascii=False, indent=1) + "\n"
