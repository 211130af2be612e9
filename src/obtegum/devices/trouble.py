"""What goes wrong with a device, as a sentence for the person who uses it."""

__all__ = ["DeviceError"]


class DeviceError(Exception):
    """A device gave no answer, or none that can be used."""
