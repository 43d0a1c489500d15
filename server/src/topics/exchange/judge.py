"""Another program's reading and writing of calendars, by Debian's python3-icalendar and dateutil.

On standard input `{"read": [text, ...], "write": [[event, ...], ...]}`; on standard output what each text holds, and a
text for each list of events. Instants are ISO 8601 in UTC.
"""

import json
import sys
from datetime import date, datetime, timedelta, timezone

from dateutil import rrule
from dateutil.tz import gettz
from icalendar import Calendar, Event, vRecur

UNTIL = datetime(2027, 7, 18, tzinfo=timezone.utc)


def iso(at):
    return at.astimezone(timezone.utc).strftime("%Y-%m-%dT%H:%M:%S.000Z")


def read(text):
    found = []
    for event in Calendar.from_ical(text).walk("VEVENT"):
        found.append(
            {
                "uid": str(event["UID"]),
                "sequence": int(event.get("SEQUENCE", 0)),
                "from": iso(event.decoded("DTSTART")),
                "to": iso(event.decoded("DTEND")),
                "renter": str(event["SUMMARY"]),
                "boat": str(event["LOCATION"]),
                "notes": str(event.get("DESCRIPTION", "")),
                "contact": str(event.get("CONTACT", "")),
                "cancelled": str(event["STATUS"]) == "CANCELLED",
            }
        )
    return found


def days_of(event, start):
    """The days of an event as dateutil has them: by the clocks of its zone."""
    if not event["rule"]:
        return [start]
    bare = start.replace(tzinfo=None)
    out = {datetime.fromisoformat(one) for one in event["not"]}
    days = rrule.rrulestr(event["rule"], dtstart=bare)
    zone = start.tzinfo
    found = []
    for day in days:
        here = day.replace(tzinfo=zone)
        if here.astimezone(timezone.utc) > UNTIL:
            break
        if day not in out:
            found.append(here)
    return found


def write(events):
    calendar = Calendar()
    calendar.add("version", "2.0")
    calendar.add("prodid", "-//another program//EN")
    expected = []
    for one in events:
        event = Event()
        event.add("uid", one["uid"])
        event.add("sequence", one["sequence"])
        event.add("dtstamp", datetime(2026, 6, 1, tzinfo=timezone.utc))
        event.add("summary", one["renter"])
        event.add("location", one["boat"])
        event.add("description", one["notes"])
        event.add("status", "CANCELLED" if one["cancelled"] else "CONFIRMED")
        said = {"renter": one["renter"], "cancelled": one["cancelled"], "notes": one["notes"]}
        if one["allDay"]:
            first = date.fromisoformat(one["day"])
            event.add("dtstart", first)
            event.add("dtend", first + timedelta(days=one["days"]))
            expected.append({**said, "day": one["day"], "days": one["days"]})
        else:
            zone = gettz(one["zone"])
            start = datetime.fromisoformat(one["day"] + "T" + one["clock"]).replace(tzinfo=zone)
            end = start.astimezone(timezone.utc) + timedelta(minutes=one["minutes"])
            if one["utc"]:
                event.add("dtstart", start.astimezone(timezone.utc))
                event.add("dtend", end)
            else:
                event.add("dtstart", start.replace(tzinfo=None), parameters={"TZID": one["zone"]})
                event.add("duration", timedelta(minutes=one["minutes"]))
            if one["rule"]:
                event.add("rrule", vRecur.from_ical(one["rule"]))
                for gone in one["not"]:
                    event.add("exdate", datetime.fromisoformat(gone), parameters={"TZID": one["zone"]})
            for day in days_of(one, start):
                at = day.astimezone(timezone.utc)
                expected.append({**said, "from": iso(at), "to": iso(at + timedelta(minutes=one["minutes"]))})
        calendar.add_component(event)
    return {"text": calendar.to_ical().decode(), "expected": expected}


asked = json.load(sys.stdin)
json.dump({"read": [read(text) for text in asked["read"]], "write": [write(events) for events in asked["write"]]}, sys.stdout)
