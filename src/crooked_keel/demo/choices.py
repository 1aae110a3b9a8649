"""What the choose bench knows of the demonstration units: curves, ratings, ports, prices and money, all invented."""

from __future__ import annotations

from typing import Any

from .figures import f

A, B, C = (f"/fits/{fit}/installations/main/unit" for fit in "abc")
OLD = "/old_installations/main/unit"


def _curve(*points: tuple[str, str]) -> list[dict[str, Any]]:
    return [{"speed": f(f"{n} rpm", "maker"), "torque": f(f"{t} N·m", "maker")} for n, t in points]


def _ports(**ports: dict[str, Any]) -> dict[str, Any]:
    """Ports: text is measured, words are chosen."""
    words = {"turns", "kind", "returns", "stop", "earth", "side", "bypass", "pump", "opens", "end", "bus"}
    return {p: {k: v if k in words else f(v) for k, v in values.items()} for p, values in ports.items()}


def _ratings(*rows: tuple[str, str, str, str | None]) -> dict[str, Any]:
    return {
        f"rating-{i}": {
            "name": name,
            "rank": float(i),
            "power": f(power, "maker"),
            "speed": f(speed, "maker"),
            "limit": "for so long" if lasts else "without a limit",
            **({"lasts": f(lasts, "maker")} if lasts else {}),
        }
        for i, (name, power, speed, lasts) in enumerate(rows, 1)
    }


def _money(*rows: tuple[str, str, str, str, str, str, str, str]) -> dict[str, Any]:
    """Lines: name, planned, ordered, paid, state, wait, week, what it holds up."""
    made = {}
    for i, (name, planned, committed, spent, state, wait, week, holds) in enumerate(rows, 1):
        given = {"planned": planned, "committed": committed, "spent": spent, "wait": wait}
        made[f"line-{i}"] = {
            "name": name,
            "rank": float(i),
            "state": state,
            "week": week,
            "holds_up": holds,
            **{k: f(v, "maker") for k, v in given.items() if v},
        }
    return made


def _need(power: str | None, altitude: str | None, weights: tuple[str, ...], **more: Any) -> dict[str, Any]:
    names = ("power", "mass", "cost", "wait", "parts")
    return {
        "/need": {
            "currency": "crowns",
            **({"power": f(power, "estimated")} if power else {}),
            **({"altitude": f(altitude)} if altitude else {}),
            "weights": {n: f(w, "estimated") for n, w in zip(names, weights, strict=True)},
            **more,
        }
    }


def _priced(at: str, cost: str, wait: str, parts: str, source: str = "maker") -> dict[str, Any]:
    return {f"{at}/cost": f(cost, source), f"{at}/wait": f(wait, source), f"{at}/parts": f(parts, "hearsay")}


def _given_off(
    at: str, layout: str | None, width: str, consumption: str | None, heat: str, source: str = "maker"
) -> dict[str, Any]:
    """How its cylinders lie, its width, what it burns and the heat into its coolant."""
    return {
        f"{at}/width": f(width),
        f"{at}/heat": f(heat, source),
        **({f"{at}/layout": layout} if layout else {}),
        **({f"{at}/consumption": f(consumption, source)} if consumption else {}),
    }


LAPWING = {
    **_need("45 hp", "6000 ft", ("3", "4", "2", "1", "2"), most_mass=f("130 kg", "estimated")),
    f"{OLD}/curve": _curve(("1400", "180"), ("1800", "197"), ("2100", "203"), ("2300", "201"), ("2400", "196")),
    f"{A}/curve": _curve(
        ("2500", "98"), ("3500", "112"), ("4500", "120"), ("5000", "121"), ("5600", "117"), ("5900", "115.9")
    ),
    f"{B}/curve": _curve(("1500", "178"), ("1900", "195"), ("2300", "201"), ("2700", "198"), ("2800", "193")),
    **{f"{u}/breathing": "naturally aspirated" for u in (OLD, A, B)},
    f"{A}/ratings": _ratings(("lasting", "92 hp", "5600 rpm", None), ("take-off", "96 hp", "5900 rpm", "5 min")),
    f"{B}/ratings": _ratings(("lasting", "75 hp", "2700 rpm", None)),
    f"{A}/accessories": {
        "starter": {
            "name": "Starter and alternator",
            "rank": 1.0,
            "mass": f("5.1 kg", "maker"),
            "counted": "in its mass",
        },
        "oil": {"name": "Oil, first fill", "rank": 2.0, "mass": f("2.4 kg", "maker"), "counted": "in its mass"},
    },
    f"{OLD}/ports": _ports(
        mounting={"bolts": "4", "along": "0 mm", "across": "230 mm", "hole": "10.3 mm", "foot_height": "105 mm"},
        output={
            "flange": "120 mm",
            "circle": "101.6 mm",
            "bolts": "6",
            "height": "20 mm",
            "turns": "clockwise",
            "ratio": "1",
        },
        fuel={"kind": "petrol", "hose": "6 mm", "returns": "no"},
        electrical={"stop": "cable"},
        exhaust={"outlet": "45 mm", "side": "below"},
        controls={"travel": "48 mm", "opens": "pull", "end": "ball"},
    ),
    f"{A}/ports": _ports(
        mounting={"bolts": "4", "along": "0 mm", "across": "330 mm", "hole": "10.3 mm", "foot_height": "150 mm"},
        output={
            "flange": "120 mm",
            "circle": "101.6 mm",
            "bolts": "6",
            "height": "181 mm",
            "turns": "clockwise",
            "ratio": "2.4286",
        },
        fuel={"kind": "petrol", "hose": "8 mm", "returns": "yes"},
        electrical={"voltage": "12 V", "charging": "20 A", "stop": "energised to run", "earth": "negative"},
        coolant={"hose": "28 mm", "side": "starboard", "bypass": "yes"},
        exhaust={"outlet": "38 mm", "side": "port"},
        controls={"travel": "34 mm", "opens": "pull", "end": "barrel"},
    ),
    **_priced(A, "9400", "5 weeks", "3"),
    **_priced(B, "7800", "16 weeks", "4"),
    "/fits/a/money": _money(
        ("Unit with its belt drive", "9400", "9400", "4700", "open", "5 weeks", "2027-W02", "mount and cowl"),
        ("Propeller, three blades", "1900", "1850", "0", "open", "9 weeks", "2027-W06", "first run"),
        ("Mount, tube and welding", "650", "0", "0", "open", "", "2027-W04", ""),
        ("Radiator, hoses, tank", "420", "455", "455", "closed", "", "2026-W50", ""),
    ),
    "/fits/b/money": _money(
        ("Unit, direct", "7800", "0", "0", "open", "16 weeks", "2027-W14", "everything ahead of the firewall"),
        ("Propeller, two blades", "1250", "0", "0", "open", "6 weeks", "2027-W14", "first run"),
        ("Mount, tube and welding", "600", "0", "0", "open", "", "2027-W12", ""),
    ),
    **_given_off(OLD, "flat", "790 mm", "330 g/kWh", "0 kW", "estimated"),
    **_given_off(A, "in line", "470 mm", "295 g/kWh", "41 kW"),
    **_given_off(B, "flat", "740 mm", "310 g/kWh", "0 kW"),
}
SAMPHIRE = {
    **_need("9 kW", "0 m", ("2", "1", "3", "1", "3")),
    f"{OLD}/curve": _curve(("700", "118"), ("1000", "136"), ("1400", "145"), ("1800", "142.4"), ("1900", "128")),
    f"{A}/curve": _curve(("1000", "115"), ("1600", "138"), ("2200", "142"), ("3000", "135.3"), ("3100", "122")),
    f"{B}/curve": _curve(("100", "174"), ("600", "174"), ("1100", "173.6"), ("1300", "147")),
    **{f"{u}/breathing": "naturally aspirated" for u in (OLD, A)},
    f"{C}/curve": _curve(("100", "87"), ("1200", "87"), ("2200", "86.8"), ("2600", "73")),
    **{f"{u}/breathing": "electric" for u in (B, C)},
    f"{A}/ratings": _ratings(("lasting", "57 hp", "3000 rpm", None)),
    "/craft/auxiliary": f("120 W", "estimated"),
    f"{OLD}/ports": _ports(
        mounting={"bolts": "4", "along": "640 mm", "across": "520 mm", "hole": "16 mm", "foot_height": "90 mm"},
        output={
            "flange": "127 mm",
            "pilot": "63.50 mm",
            "circle": "101.6 mm",
            "bolts": "4",
            "turns": "clockwise",
            "ratio": "2",
        },
        fuel={"kind": "diesel", "hose": "8 mm", "returns": "yes"},
        electrical={"voltage": "12 V", "charging": "35 A", "stop": "cable", "earth": "insulated"},
        sea_water={"hose": "31.75 mm", "side": "starboard"},
        exhaust={"outlet": "63 mm", "side": "port", "angle": "0°"},
        controls={"travel": "76 mm", "opens": "push", "end": "fork"},
    ),
    f"{A}/ports": _ports(
        mounting={"bolts": "4", "along": "630 mm", "across": "470 mm", "hole": "14 mm", "foot_height": "60 mm"},
        output={"flange": "102 mm", "circle": "82.5 mm", "bolts": "4", "turns": "clockwise", "ratio": "2.6"},
        fuel={"kind": "diesel", "hose": "8 mm", "returns": "yes"},
        electrical={"voltage": "12 V", "charging": "60 A", "stop": "energised to stop", "earth": "negative"},
        sea_water={"hose": "25.4 mm", "side": "port"},
        gear_cooling={"hose": "19 mm"},
        exhaust={"outlet": "51 mm", "side": "port", "angle": "15°"},
        controls={"travel": "76 mm", "opens": "push", "end": "fork"},
    ),
    **_priced(A, "11800", "6 weeks", "5"),
    **_priced(B, "24500", "10 weeks", "3"),
    **_priced(C, "19800", "10 weeks", "3"),
    "/fits/a/money": _money(
        ("Diesel with its gear", "11800", "11800", "3000", "open", "6 weeks", "2027-W03", "bed and shaft"),
        ("Shaft, coupling, stern gland", "980", "0", "0", "open", "3 weeks", "2027-W03", "alignment"),
        ("Wet exhaust", "640", "610", "610", "closed", "", "2026-W51", ""),
    ),
    **_given_off(OLD, "in line", "560 mm", "265 g/kWh", "24 kW", "estimated"),
    **_given_off(A, "in line", "540 mm", "238 g/kWh", "36 kW"),
    **_given_off(B, None, "420 mm", None, "1.8 kW"),
    **_given_off(C, None, "340 mm", None, "1.9 kW"),
}
HARROW = {
    **_need(None, None, ("2", "3", "3", "1", "2")),
    f"{OLD}/curve": _curve(("2500", "48"), ("4000", "57"), ("5500", "60"), ("7200", "50.4"), ("7800", "44")),
    f"{A}/curve": _curve(("500", "41.8"), ("2400", "41.8"), ("4800", "41.8"), ("6000", "33")),
    f"{B}/curve": _curve(("2500", "66"), ("4500", "76"), ("6000", "78"), ("8000", "69.2"), ("8500", "62")),
    f"{OLD}/breathing": "naturally aspirated",
    f"{A}/breathing": "electric",
    f"{B}/breathing": "naturally aspirated",
    f"{A}/ratings": _ratings(("lasting", "21 kW", "4800 rpm", None), ("peak", "35 kW", "4800 rpm", "60 s")),
    f"{B}/ratings": _ratings(("lasting", "58 kW", "8000 rpm", None)),
    **_priced(A, "8900", "7 weeks", "3"),
    **_priced(B, "3200", "2 weeks", "4", "hearsay"),
    **_given_off(OLD, "in line", "460 mm", "320 g/kWh", "0 kW", "estimated"),
    **_given_off(A, None, "300 mm", None, "0 kW"),
    **_given_off(B, "in line", "450 mm", "300 g/kWh", "44 kW"),
}
PANNIER = {
    **_need(None, None, ("2", "1", "3", "1", "3")),
    f"{A}/ratings": _ratings(("lasting", "11 kW", "8000 rpm", None)),
    **_priced(A, "740", "2 weeks", "5"),
    **_priced(B, "2950", "6 weeks", "3"),
    **_given_off(OLD, "swing unit", "330 mm", "350 g/kWh", "0 kW", "estimated"),
    **_given_off(A, "swing unit", "350 mm", "325 g/kWh", "0 kW"),
    **_given_off(B, None, "200 mm", None, "0 kW"),
}
TILLER = {
    **_need(None, None, ("2", "2", "3", "1", "2")),
    f"{A}/ratings": _ratings(("lasting", "15.6 kW", "3600 rpm", None)),
    "/craft/auxiliary": f("150 W", "estimated"),
    **_priced(A, "2100", "4 weeks", "5", "hearsay"),
    **_priced(B, "7900", "10 weeks", "3"),
    **_given_off(OLD, "in line", "480 mm", "330 g/kWh", "16 kW", "estimated"),
    **_given_off(A, "vee", "440 mm", "340 g/kWh", "0 kW", "estimated"),
    **_given_off(B, None, "310 mm", None, "1.4 kW"),
}
CURLEW = {
    **_need("30 kW", "2400 m", ("3", "3", "2", "1", "2")),
    f"{OLD}/curve": _curve(("1600", "192"), ("2200", "207"), ("2600", "208"), ("2800", "203.5"), ("2900", "199")),
    **{f"{u}/curve": _curve(("500", "179"), ("1500", "179"), ("2400", "179.05"), ("2700", "150")) for u in (A, B)},
    f"{OLD}/breathing": "naturally aspirated",
    f"{A}/breathing": "electric",
    f"{B}/breathing": "electric",
    **_given_off(OLD, "flat", "760 mm", "325 g/kWh", "0 kW", "estimated"),
    **_given_off(A, None, "290 mm", None, "0 kW"),
    **_given_off(B, None, "290 mm", None, "0 kW"),
    **_priced(A, "14800", "12 weeks", "3"),
    **_priced(B, "14800", "12 weeks", "3"),
}
PLOVER = {
    **_need("66 hp", "8000 ft", ("3", "4", "2", "1", "2")),
    f"{OLD}/curve": _curve(("1600", "225"), ("2100", "252"), ("2500", "262"), ("2750", "258.9"), ("2850", "250")),
    f"{B}/curve": _curve(("3000", "104"), ("4500", "122"), ("5500", "126"), ("6000", "124.6"), ("6500", "117")),
    f"{A}/curve": _curve(("1600", "270"), ("2100", "298"), ("2500", "307"), ("2700", "303.3"), ("2800", "295")),
    **{f"{u}/breathing": "naturally aspirated" for u in (OLD, A)},
    f"{B}/breathing": "turbocharged",
    f"{B}/critical_altitude": f("9000 ft", "maker"),
    f"{B}/ratings": _ratings(("lasting", "100 hp", "5800 rpm", None), ("take-off", "105 hp", "6000 rpm", "5 min")),
    f"{A}/ratings": _ratings(("lasting", "115 hp", "2700 rpm", None)),
    **_priced(B, "13900", "8 weeks", "3"),
    **_priced(A, "16200", "20 weeks", "4"),
    **_given_off(OLD, "flat", "800 mm", "320 g/kWh", "0 kW", "estimated"),
    **_given_off(B, "rotor", "400 mm", "330 g/kWh", "62 kW"),
    **_given_off(A, "flat", "820 mm", "310 g/kWh", "0 kW"),
}
