"""Figures of which more is known than their dimension: what is possible of a thrust angle, an efficiency, a tooth
count.

Outside what is possible a figure is refused, with the limits in the sentence; outside what is usual it is asked about.
"""

from __future__ import annotations

import math

from .kinds import (
    Angle,
    Area,
    Count,
    Density,
    FineLength,
    FineOffset,
    Length,
    Number,
    Ratio,
    Rotation,
)

_DEG = math.pi / 180


class Clearance(Length):
    """A clearance that is wanted, m."""

    least = 0.01
    least_words = "a clearance that is wanted is 10 mm or more"
    allowed = "10 mm or more; blank takes the code's own"
    usual = (0.1, 0.6)


class ChainPitch(Length):
    """Pitch of a chain or of a toothed belt, m."""

    least = 0.003
    most = 0.11
    least_words = "no chain has a pitch below 3 mm"
    most_words = "no chain has a pitch above 110 mm"
    allowed = "3 to 110 mm"
    usual = (0.006, 0.04)
    by_share = True


class ThrustAngle(Angle):
    """How far a line of thrust is turned off the craft's, rad, either sign."""

    least = -45 * _DEG
    most = 45 * _DEG
    least_words = most_words = "a thrust line is within 45° of the craft's"
    allowed = "-45° to 45°"
    usual = (-8 * _DEG, 8 * _DEG)


class Attitude(Angle):
    """How far the craft is pitched on the ground, rad; the field says which way, never the sign."""

    least = 0.0
    most = 45 * _DEG
    least_words = "an attitude has no sign here: the field says which way it is"
    most_words = "no craft stands on the ground by more than 45°"
    allowed = "0 to 45°, without a sign"
    usual = (0.0, 20 * _DEG)


class SmallAngle(Angle):
    """An angle off a line, rad, either sign."""

    least = -60 * _DEG
    most = 60 * _DEG
    least_words = most_words = "such an angle is within 60°"
    allowed = "-60° to 60°"
    usual = (-25 * _DEG, 25 * _DEG)


class BladeAngle(Angle):
    """Angle of a blade at three quarters of its radius, rad."""

    least = 4 * _DEG
    most = 45 * _DEG
    least_words = most_words = "a blade stands between 4° and 45° at three quarters of its radius"
    allowed = "4° to 45°, at three quarters of the radius"
    usual = (8 * _DEG, 30 * _DEG)


class LimitAngle(Angle):
    """The steepest that something may lie, rad."""

    least = 0.0
    most = 60 * _DEG
    least_words = "a limit on an angle cannot be negative"
    most_words = "no maker allows more than 60°"
    allowed = "0 to 60°"
    usual = (3 * _DEG, 30 * _DEG)


class Rake(Angle):
    """Steering axis from the vertical, rad."""

    least = 0.0
    most = 70 * _DEG
    least_words = "the rake is measured from the vertical and has no sign"
    most_words = "the rake is measured from the vertical: no steering lies flatter than 70°"
    allowed = "0 to 70° from the vertical"
    usual = (12 * _DEG, 50 * _DEG)


class TurnRate(Rotation):
    """How fast a craft turns, rad/s."""

    most = 20.0
    most_words = "no craft turns faster than 20 rad/s"
    allowed = "0 to 20 rad/s"
    usual = (0.2, 5.0)


class FuelDensity(Density):
    """Density of a fuel, kg/m³."""

    least = 60.0
    most = 2000.0
    least_words = "no fuel is lighter than 60 kg/m³"
    most_words = "no fuel is heavier than 2000 kg/m³"
    allowed = "60 to 2000 kg/m³; petrol is about 720, diesel 840"
    usual = (650.0, 900.0)


class WaterDensity(Density):
    """Density of the water that a craft floats in, kg/m³."""

    least = 900.0
    most = 1300.0
    least_words = most_words = "no water has such a density"
    allowed = "900 to 1300 kg/m³; fresh 1000, sea 1025"
    usual = (990.0, 1035.0)


class Feeler(FineLength):
    """A gap, m, read with feelers."""

    most = 0.1
    most_words = "a gap of more than 100 mm is no reading of a feeler: was it typed in another unit?"
    allowed = "0 to 100 mm"
    usual = (0.0, 0.008)


class ThreadPitch(FineLength):
    """Pitch of a thread, m."""

    least = 1e-4
    most = 0.012
    least_words = "a thread has a pitch of 0.1 mm or more"
    most_words = "no thread of a foot has a pitch above 12 mm"
    allowed = "0.1 to 12 mm"
    usual = (0.0005, 0.0045)


class Dial(FineOffset):
    """A step or a dial reading, m, either sign."""

    least = -0.1
    most = 0.1
    least_words = most_words = "a step of more than 100 mm is no reading of a dial: was it typed in another unit?"
    allowed = "-100 to 100 mm"
    usual = (-0.008, 0.008)


class DragArea(Area):
    """Drag area of the whole craft, m²."""

    least = 0.02
    most = 60.0
    least_words = "no craft has a drag area below 0.02 m²"
    most_words = "no craft has a drag area above 60 m²"
    allowed = "0.02 to 60 m²; motorcycles 0.3 to 0.8, cars 0.5 to 1.2"
    usual = (0.15, 8.0)


class Warmth(Number):
    """How much warmer than the standard atmosphere, K."""

    least = -90.0
    most = 70.0
    least_words = most_words = "it is never so far from the standard atmosphere"
    allowed = "-90 to 70 K beside the standard atmosphere"
    usual = (-30.0, 40.0)


class TipMach(Number):
    """A tip Mach number that is allowed."""

    least = 0.3
    most = 1.1
    least_words = "nobody asks for tips slower than Mach 0.3"
    most_words = "a tip Mach number above 1.1 is no limit: 85 % is written 0.85"
    allowed = "0.3 to 1.1; the schools are 0.80, 0.85, 0.90"
    usual = (0.6, 0.95)


class LoadFactor(Number):
    """A load factor."""

    least = 1.0
    most = 20.0
    least_words = "a load factor is 1 or more"
    most_words = "no wing is built for more than 20"
    allowed = "1 to 20"
    usual = (2.0, 10.0)


class ChordShare(Number):
    """A place along a mean chord, in parts of it."""

    least = -1.0
    most = 2.0
    least_words = most_words = "a limit lies on or near the chord: 26 % is written 26 % or 0.26"
    allowed = "-100 % to 200 %"
    usual = (0.0, 0.6)


class Aspect(Number):
    """Height of a tyre over its width: 0.7, or 70 as on the wall."""

    least = 0.2
    most = 200.0
    least_words = "a tyre is at least a fifth as high as wide"
    most_words = "a tyre is at most twice as high as wide"
    allowed = "70 or 0.70 for a 70 tyre"
    usual = (0.25, 110.0)


class Gain(Number):
    """How far off an instrument is, in parts of its reading."""

    least = -0.5
    most = 0.5
    least_words = most_words = "an instrument that is half off is none"
    allowed = "-50 % to 50 %"
    usual = (-0.05, 0.05)


class Weight(Number):
    """How much something counts."""

    least = 0.0
    most = 1000.0
    least_words = "a weight cannot be negative"
    most_words = "a weight is at most 1000"
    allowed = "0 to 1000"
    usual = (0.0, 100.0)


class Pulses(Number):
    """Pulses for each turn."""

    least = 0.0
    most = 1000.0
    least_words = "pulses cannot be negative"
    most_words = "no sender gives more than 1000 pulses a turn"
    allowed = "0 to 1000"
    usual = (0.0, 120.0)


class StageRatio(Ratio):
    """Driver speed over driven speed."""

    least = 0.02
    most = 100.0
    least_words = "no stage speeds its shaft up fifty times"
    most_words = "no stage slows its shaft down more than a hundred times"
    allowed = "0.02 to 100: driver speed over driven speed, 2.43 for 2.43 to 1"
    usual = (0.2, 20.0)


class Share(Ratio):
    """A part of a whole, above 0 and up to 1."""

    most = 1.0
    most_words = "a part of a whole is at most 1, which is 100 %"
    allowed = "above 0 % to 100 %; 97 % is written 97 % or 0.97"
    usual = (0.0, 1.0)


class BladeArea(Ratio):
    """Area of a propeller's blades over that of its disc."""

    least = 0.15
    most = 1.2
    least_words = "blades of less than 15 % of the disc are no marine propeller's"
    most_words = "blades of more than 120 % of the disc are not made"
    allowed = "0.15 to 1.2; 0.55 is written 0.55 or 55 %"
    usual = (0.3, 1.05)


class Efficiency(Share):
    """What comes out for what goes in."""

    least = 0.05
    least_words = "no drive here has an efficiency below 5 %"
    most_words = "an efficiency is at most 1, which is 100 %"
    allowed = "5 % to 100 %; 97 % is written 97 % or 0.97"
    usual = (0.5, 0.995)


class Depth(Share):
    """Share of a battery's energy that is used."""

    least = 0.05
    least_words = "a battery of which less than 5 % is used is none"
    most_words = "no more can be taken out than is in it: at most 1, which is 100 %"
    allowed = "5 % to 100 %; 85 % is written 85 % or 0.85"
    usual = (0.4, 0.96)


class FormCoefficient(Share):
    """A coefficient of a hull's form."""

    least = 0.05
    least_words = "no hull is so fine"
    most_words = "a coefficient of form is at most 1: the whole block"
    allowed = "0.05 to 1"
    usual = (0.2, 0.95)


class Grip(Ratio):
    """Grip of a tyre: force over load."""

    least = 0.02
    most = 3.0
    least_words = "no tyre has so little grip"
    most_words = "no tyre of the road grips more than 3 times its load: 90 % is written 90 % or 0.9"
    allowed = "0.02 to 3; dry road 0.8 to 1.1"
    usual = (0.3, 1.5)


class Rolling(Ratio):
    """Rolling coefficient: force over load."""

    least = 0.0005
    most = 0.5
    least_words = "no tyre rolls so easily"
    most_words = "no tyre on a road rolls so hard: 1.5 % is written 1.5 % or 0.015"
    allowed = "0.0005 to 0.5; road tyres 0.008 to 0.02"
    usual = (0.004, 0.06)


class Slope(Number):
    """Rise over run of a road."""

    least = 0.0
    most = 1.0
    least_words = "a hill is climbed: it has no sign"
    most_words = "no road rises more than 100 %: 20 % is written 20 % or 0.2"
    allowed = "0 % to 100 %; 20 % is written 20 % or 0.2"
    usual = (0.03, 0.45)


class Factor(Ratio):
    """A factor that makes a load larger."""

    least = 1.0
    most = 30.0
    least_words = "such a factor is 1 or more: it never makes a load smaller"
    most_words = "no such factor is above 30"
    allowed = "1 to 30"
    usual = (1.0, 16.0)


class Teeth(Count):
    """Teeth of a wheel."""

    least = 6.0
    most = 1000.0
    least_words = "no wheel runs with fewer than six teeth"
    most_words = "no wheel here has more than a thousand teeth"
    allowed = "6 to 1000"
    usual = (8.0, 200.0)


class Before(Count):
    """How many stages, or wheels, lie before something, none among them."""

    least = 0.0
    most = 12.0
    least_words = "none, or so many stages"
    most_words = "no reduction has more than a dozen stages"
    allowed = "0 at the unit, 1 behind its first stage"
    usual = (0.0, 4.0)


class Cylinders(Count):
    """Cylinders of an engine."""

    most = 48.0
    most_words = "no engine here has more than 48 cylinders"
    allowed = "1 to 48"
    usual = (1.0, 12.0)


class Blades(Count):
    """Blades of a propeller."""

    most = 20.0
    most_words = "no propeller here has more than 20 blades"
    allowed = "1 to 20"
    usual = (1.0, 8.0)


class LoadIndex(Count):
    """The load index on the wall of a tyre."""

    most = 279.0
    most_words = "load indices end at 279"
    allowed = "1 to 279, the number on the wall"
    usual = (20.0, 150.0)


class Grade(Count):
    """A grade from 1 to 5."""

    most = 5.0
    most_words = "grades run from 1 to 5"
    allowed = "1 to 5"
    usual = (1.0, 5.0)
