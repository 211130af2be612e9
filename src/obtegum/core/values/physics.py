"""Constants of physics and of common materials, each defined here alone."""

__all__ = [
    "AIR_KG_M3",
    "CLOTH_KG_M2",
    "DENSITY_KG_M3",
    "FILM_KG_M3",
    "GRAVITY_MPS2",
    "MILD_ULTIMATE_PA",
    "MILD_YIELD_PA",
    "STEEL_KG_M3",
    "TIMBER_KG_M3",
    "air_pressure_share",
]

# Standard gravity (CGPM 1901).
GRAVITY_MPS2 = 9.80665
# Steel, EN 1991-1-1 table A.4 (77.0 to 78.5 kN/m³), AISC manual 490 lb/ft³.
STEEL_KG_M3 = 7850.0
# What tube is of; plastic pipe as PVC, the heavier of the usual resins.
DENSITY_KG_M3 = {"steel": STEEL_KG_M3, "plastic": 1400.0}
# Soft timber as it is bought, not kiln-dry: over the mean of EN 338 C24 (420), as wet wood weighs more.
TIMBER_KG_M3 = 500.0
# Polyethylene film, kg/m³; cloth or net at the most, kg/m² (estimate: dense knitted cloth is 0.2).
FILM_KG_M3, CLOTH_KG_M2 = 920.0, 0.25
# Dry air at sea level, 15 °C (ISO 2533, standard atmosphere).
AIR_KG_M3 = 1.225
# Mild steel S235 to 40 mm, EN 1993-1-1 table 3.1: yield and ultimate strength, Pa.
MILD_YIELD_PA, MILD_ULTIMATE_PA = 235e6, 360e6


def air_pressure_share(altitude_m: float) -> float:
    """Pressure of the standard atmosphere at a height over sea level, of that at sea level: (1 − 0.0065·h/288.15)^5.256
    (ISO 2533); for heights to 11,000 m."""
    return float((1 - 2.25577e-5 * altitude_m) ** 5.25588)
