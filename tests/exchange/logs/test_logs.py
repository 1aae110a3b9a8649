"""Logs against the parsers of others, and against what people really send."""

from __future__ import annotations

import math
from pathlib import Path

import gpxpy
import gpxpy.geo
import pynmea2
import pytest
from hypothesis import given
from hypothesis import strategies as st

from crooked_keel.core.errors import InputError
from crooked_keel.exchange.logs import Choice, LogIn, look_at, take
from crooked_keel.exchange.logs.gpx import EARTH_M, haversine, legs, length, read_gpx
from crooked_keel.exchange.logs.nmea import nmea_checksum, parse_nmea
from crooked_keel.exchange.logs.table import read_table, split_head, unit_scale

C, RPM = 273.15, math.pi / 30


def sentence(body: str) -> str:
    return f"${body}*{nmea_checksum(body)}"


RMC = "GPRMC,123519.00,A,4807.038,N,01131.000,E,022.4,084.4,230326,,,A"


class TestNmea:
    def test_w25_checksum_and_position(self) -> None:
        assert nmea_checksum(RMC) == "5B"
        made, theirs = parse_nmea(sentence(RMC)), pynmea2.parse(sentence(RMC))
        assert made.fields["lat"] == pytest.approx(theirs.latitude) == pytest.approx(48.1173)
        assert made.fields["lon"] == pytest.approx(theirs.longitude) == pytest.approx(11.516667, abs=1e-6)
        assert made.fields["speed_m_s"] == pytest.approx(11.52356, abs=1e-5)
        assert made.fields["at"] == theirs.datetime and made.valid

    @given(st.text(alphabet=st.characters(min_codepoint=32, max_codepoint=126, exclude_characters="$*!"), max_size=70))
    def test_the_checksum_is_that_of_pynmea2(self, body: str) -> None:
        assert int(nmea_checksum(body), 16) == pynmea2.NMEASentence.checksum(body)

    def test_south_and_west_are_negative_and_old_years_are_old(self) -> None:
        made = parse_nmea(sentence("GNRMC,000000,A,3351.000,S,15112.000,W,0.0,,010185,,,A"))
        assert made.fields["lat"] == pytest.approx(-33.85) and made.fields["lon"] == pytest.approx(-151.2)
        assert made.fields["at"].year == 1985  # type: ignore[attr-defined]

    @pytest.mark.parametrize(
        "body",
        [
            RMC.replace(",A,4807", ",V,4807"),
            RMC[:-1] + "E",
            RMC[:-1] + "S",
            "GPGGA,123519,4807.038,N,01131.000,E,8,08,0.9,545.4,M,,,,",
            "IIRPM,E,1,2400.0,10.5,V",
        ],
    )
    def test_no_true_fix_is_void_and_raises_nothing(self, body: str) -> None:
        assert not parse_nmea(sentence(body)).valid

    @pytest.mark.parametrize(
        ("line", "why"),
        [
            (sentence(RMC)[:-2] + "00", "checksum is wrong"),
            ("$" + RMC, "no checksum"),
            (sentence("GPRMC," + "1" * 90), "more than a sentence"),
            ("hello", r"begins with \$"),
            (sentence("GPRMC,1,A,48x7,N,011,E,1,1,230326"), "does not read"),
        ],
    )
    def test_a_bad_sentence_is_refused_with_why(self, line: str, why: str) -> None:
        with pytest.raises(InputError, match=why):
            parse_nmea(line)

    def test_speed_of_the_unit_and_what_else_is_measured(self) -> None:
        assert parse_nmea(sentence("IIRPM,E,0,2400.0,10.5,A")).fields["rad_s"] == pytest.approx(2400 * RPM)
        made = parse_nmea(sentence("IIXDR,C,82.5,C,COOLANT,P,3.5,B,OILPRESS"))
        assert made.fields["COOLANT"] == ("temperature", pytest.approx(355.65))
        assert made.fields["OILPRESS"] == ("pressure", pytest.approx(3.5e5))

    def test_a_log_of_sentences_flags_the_bad_and_takes_the_good(self) -> None:
        lines = []
        for i in range(20):
            lines.append(sentence(f"GPRMC,1200{i:02d},A,4807.0,N,01131.0,E,0{i % 10}.0,084.4,230326,,,A"))
            lines.append(sentence(f"IIRPM,E,0,{1000 + i}.0,10.5,A"))
        lines[6] = lines[6][:-2] + "00"
        made = take(LogIn(text="\n".join(lines)))
        assert set(made.columns) == {"speed", "rpm"} and made.flags == ["line 7: the checksum is wrong"]
        assert made.t[-1] == 19.0 and made.columns["rpm"][-1] == pytest.approx(1019 * RPM)

    def test_without_any_checksum_it_asks_once(self) -> None:
        bare = "\n".join(f"$GPRMC,1200{i:02d},A,4807.0,N,01131.0,E,05.0,084.4,230326,,,A" for i in range(5))
        with pytest.raises(InputError) as bad:
            look_at(LogIn(text=bare))
        assert bad.value.field == "/without_sum"
        assert look_at(LogIn(text=bare, without_sum=True)).heads[0].channel == "speed"


GPX = """<?xml version="1.0"?><gpx version="1.1" xmlns="http://www.topografix.com/GPX/1/1"><trk><trkseg>{}</trkseg></trk></gpx>"""


def points(*rows: tuple[float, float, str | None]) -> str:
    made = (f'<trkpt lat="{a}" lon="{b}">' + (f"<time>{t}</time>" if t else "") + "</trkpt>" for a, b, t in rows)
    return GPX.format("".join(made))


class TestGpx:
    TRACK = points(
        (54.0, 10.0, "2026-06-01T10:00:00Z"),
        (54.0005, 10.0, "2026-06-01T10:00:10Z"),
        (54.001, 10.0005, "2026-06-01T10:00:20Z"),
    )

    def test_length_is_that_of_gpxpy_on_the_mean_radius(self) -> None:
        """gpxpy takes the equator's radius: longer by 6378137 / 6371008.8."""
        theirs = gpxpy.parse(self.TRACK).length_2d() * EARTH_M / gpxpy.geo.EARTH_RADIUS
        assert length(read_gpx(self.TRACK)) == pytest.approx(theirs, rel=1e-5)

    def test_a_minute_of_latitude_is_a_nautical_mile(self) -> None:
        a, b = read_gpx(points((50.0, 7.0, None), (50.0 + 1 / 60, 7.0, None)))
        assert haversine(a, b) == pytest.approx(1852.0, rel=2e-3)

    def test_speed_wants_times_and_drops_gaps_jumps_and_a_clock_that_stands(self) -> None:
        # By hand: 55.6 m north, and with 32.7 m east 64.5 m, ten seconds each.
        assert [leg.speed_m_s for leg in legs(read_gpx(self.TRACK))] == pytest.approx([5.56, 6.45], abs=0.01)
        odd = points(
            (54.0, 10.0, "2026-06-01T10:00:00Z"),
            (54.0, 10.0, "2026-06-01T10:00:00Z"),
            (54.0, 10.0, "2026-06-01T09:59:00Z"),
            (54.0, 10.0, "2026-06-01T10:05:00Z"),
            (55.0, 10.0, "2026-06-01T10:05:05Z"),
        )
        why = [leg.why for leg in legs(read_gpx(odd))]
        assert [w.split(" ")[0] for w in why] == ["the", "the", "a", "a"] and "backwards" in why[1]
        with pytest.raises(InputError, match="no speed"):
            look_at(LogIn(text=points((54.0, 10.0, None), (54.1, 10.0, None))))

    @pytest.mark.parametrize(
        "text",
        [
            "<gpx>",
            "<html></html>",
            GPX.format(""),
            GPX.format('<trkpt lat="95" lon="0"/>'),
            GPX.format('<trkpt lat="a" lon="0"/>'),
            '<!DOCTYPE g [<!ENTITY a "b">]><gpx><trk><trkseg><trkpt lat="1" lon="1"/></trkseg></trk></gpx>',
        ],
    )
    def test_what_is_no_track_is_refused(self, text: str) -> None:
        with pytest.raises(InputError):
            look_at(LogIn(text=text))


class TestTables:
    def test_units_in_the_heads_are_read(self) -> None:
        assert split_head("Oil temp (°F)") == ("Oil temp", "°F") and split_head("rpm") == ("rpm", "")
        made = take(LogIn(text="Time (s),Oil temp (°F),Engine speed [rpm]\n0,212,1000\n1,230,1100\n"))
        assert made.columns["oil_temp"] == pytest.approx([100 + C, 110 + C])
        assert made.columns["rpm"] == pytest.approx([1000 * RPM, 1100 * RPM])

    def test_a_unit_that_is_missing_or_of_another_sort_is_asked_for(self) -> None:
        looked = look_at(LogIn(text="t;Coolant;Oil pressure (°C)\n0;80;3\n1;81;3\n"))
        assert [bool(h.ask) for h in looked.heads] == [True, True]
        with pytest.raises(InputError, match="in which unit"):
            take(LogIn(text="t;Coolant\n0;80\n1;81\n"))
        said = LogIn(text="t;Coolant\n0;80\n1;81\n", choices=[Choice(head="Coolant", channel="coolant", unit="°C")])
        assert take(said).columns["coolant"] == pytest.approx([80 + C, 81 + C])

    def test_the_other_decimal_mark_is_seen_and_where_it_cannot_be_told_it_is_asked(self) -> None:
        assert read_table("t;a\n0,5;80,1\n1,0;81,2\n").decimal == "comma"
        assert take(LogIn(text="t (s);Coolant (°C)\n0,5;80,1\n1,0;81,25\n")).t == [0.0, 0.5]
        thousands = "t (s);Engine speed (rpm)\n0;1,234\n1;2,345\n"
        assert not look_at(LogIn(text=thousands)).certain
        with pytest.raises(InputError) as bad:
            take(LogIn(text=thousands))
        assert bad.value.field == "/decimal"
        assert take(LogIn(text=thousands, decimal="comma")).columns["rpm"][0] == pytest.approx(1.234 * RPM)

    def test_a_blank_cell_is_missing_and_no_nought(self) -> None:
        made = take(LogIn(text="t (s),Oil pressure (kPa)\n0,300\n1,\n2,x\n3,310\n"))
        assert made.columns["oil_pressure"] == [300e3, None, None, 310e3]
        assert made.flags == ["row 4: 'Oil pressure (kPa)' is no number"]

    def test_a_clock_that_runs_backwards_is_flagged_and_nothing_dropped(self) -> None:
        made = take(LogIn(text="Time,Coolant (°C)\n10:00:00,80\n10:00:10,81\n09:59:00,82\n"))
        assert made.flags == ["row 4: the clock runs backwards"] and len(made.t) == 3

    @pytest.mark.parametrize(
        ("text", "why"),
        [
            ("", "no rows"),
            ("t,a\n", "no rows"),
            ("t a\n1 2\n", "no separator"),
            ("t,a,a\n1,2,3\n2,3,4\n", "stands twice"),
            ("t,colour\n1,red\n2,blue\n", "nothing of it is taken"),
            ("t (s),Coolant (°C),CLT (°C)\n0,80,80\n1,81,81\n", "two heads"),
        ],
    )
    def test_what_cannot_be_read_says_why(self, text: str, why: str) -> None:
        with pytest.raises(InputError, match=why):
            take(LogIn(text=text))

    @pytest.mark.parametrize(
        ("unit", "dimension"), [("kPa", "pressure"), ("°F", "temperature"), ("kn", "speed"), ("V", "voltage")]
    )
    def test_units_are_those_of_the_figures(self, unit: str, dimension: str) -> None:
        found = unit_scale(unit)
        assert found is not None and found.dimension == dimension
        assert unit_scale("furlongs per fortnight") is None


def test_a_long_log_is_thinned_without_losing_its_peak() -> None:
    """A hundred thousand rows; the time that it takes is in the benchmark."""
    rows = [f"{i},{80 + 5 * math.sin(i / 900):.2f},{2000 + i % 50}" for i in range(100_000)]
    rows[77_777] = "77777,131.5,2000"
    made = take(LogIn(text="Time (s),Coolant (°C),Engine speed (rpm)\n" + "\n".join(rows)))
    values = [v for v in made.columns["coolant"] if v is not None]
    assert made.rows == 100_000 and len(made.t) < 9_000 and max(values) == pytest.approx(131.5 + C)


def test_nothing_here_asks_the_network() -> None:
    folder = Path(__file__).parents[3] / "src" / "crooked_keel" / "exchange" / "logs"
    assert not any("urllib" in f.read_text() or "requests" in f.read_text() for f in folder.glob("*.py"))
