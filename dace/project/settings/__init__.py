"""Settings by situation: ``production`` (also the demo), ``development``, ``testing``."""
