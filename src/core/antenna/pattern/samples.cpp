// SPDX-License-Identifier: GPL-3.0-or-later
#include "antenna/pattern/samples.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace yemvo::pattern_text {
namespace {

constexpr std::size_t least_samples = 8;
constexpr double most_db = 200, most_gain_dbi = 60, least_gain_dbi = -30;

Said line_of(const std::string& name, std::size_t line) {
    return line ? say("%1, line %2", name, line) : Said(name);
}

const char* role_words(CutRole role) {
    return role == CutRole::azimuth ? mark("azimuth cut") : mark("elevation cut");
}

void check_values(const RawCut& cut, const std::string& name) {
    for (const Sample& s : cut.samples) {
        if (!std::isfinite(s.angle_deg) || !std::isfinite(s.value))
            throw Error(say("is no number"), line_of(name, s.line), say("Correct the row, or leave it out"));
        if (std::abs(s.angle_deg) > 720)
            throw Error(say("an angle of %1° is beyond a circle", said_figure(s.angle_deg, 1)),
                        line_of(name, s.line), say("Angles run from 0 to 360 or from -180 to 180 degrees"));
        if (std::abs(s.value) > most_db)
            throw Error(say("%1 dB is beyond reason", said_figure(s.value, 1)), line_of(name, s.line),
                        say("Check that the columns are angle and dB"));
    }
}

void check_count(const RawCut& cut, const std::string& name) {
    if (cut.samples.size() < least_samples)
        throw Error(say("the %1 has %2 angles, too few to tell a pattern", said_mark(role_words(cut.role)),
                        cut.samples.size()),
                    line_of(name, cut.line),
                    say("At least %1 are needed, better one every degree", least_samples));
}

double wrapped(double angle_deg) {
    const double rest = std::fmod(angle_deg, 360);
    return rest < 0 ? rest + 360 : rest;
}

/// Where a further cut lies, as FurtherCut counts it: an elevation that is told at 200° is the one at 20°
/// from its other side.
void settle_place(RawCut& cut, const Meaning& meaning, const std::string& name) {
    if (cut.at_deg == 0) return;
    if (cut.role == CutRole::azimuth) {
        if (std::abs(cut.at_deg) >= 90)
            throw Error(say("an azimuth cut at %1° of elevation is none", said_figure(cut.at_deg, 1)),
                        line_of(name, cut.line), say("Its elevation lies between -90 and 90 degrees"));
        if (meaning.elevation_runs_down) cut.at_deg = -cut.at_deg;
        return;
    }
    cut.at_deg = wrapped(meaning.azimuth_runs_left ? -cut.at_deg : cut.at_deg);
    if (cut.at_deg < 180) return;
    cut.at_deg -= 180;
    // in the angles of the file, before its elevations are turned over: as far from the pole on the other
    // side
    for (Sample& s : cut.samples) s.angle_deg = 180 - s.angle_deg;
}

/// By angle; of angles that come twice the first stays.
std::vector<Sample> sorted(const RawCut& cut, const Meaning& meaning, PatternFile& file) {
    const bool turned =
        cut.role == CutRole::azimuth ? meaning.azimuth_runs_left : meaning.elevation_runs_down;
    std::vector<Sample> samples = cut.samples;
    for (Sample& s : samples) {
        s.angle_deg = wrapped(turned ? -s.angle_deg : s.angle_deg);
        if (meaning.attenuation) s.value = -s.value;
    }
    std::ranges::stable_sort(samples, {}, &Sample::angle_deg);
    std::size_t differing = 0;
    std::vector<Sample> once;
    for (const Sample& s : samples) {
        if (!once.empty() && s.angle_deg - once.back().angle_deg < 1e-6) {
            differing += std::abs(s.value - once.back().value) > 0.05;
            continue;
        }
        once.push_back(s);
    }
    if (differing > 0)
        file.warnings.push_back(
            say_counted("the %1 has %n angle twice with different values: the first is taken",
                        "the %1 has %n angles twice with different values: the first are taken", differing,
                        said_mark(role_words(cut.role))));
    return once;
}

Cut on_degrees(const std::vector<Sample>& samples) {
    Cut cut;
    std::size_t next = 0;
    for (int degree = 0; degree < Cut::degrees; ++degree) {
        while (next < samples.size() && samples[next].angle_deg < degree) ++next;
        const Sample& after = samples[next % samples.size()];
        const Sample& before = samples[(next + samples.size() - 1) % samples.size()];
        const double gap = wrapped(after.angle_deg - before.angle_deg);
        cut[degree] = gap == 0
                          ? after.value
                          : std::lerp(before.value, after.value, wrapped(degree - before.angle_deg) / gap);
    }
    return cut;
}

/// The largest part of the circle without a sample: where it begins and how wide it is.
std::pair<double, double> widest_gap(const std::vector<Sample>& samples) {
    double begin = 0, widest = 0;
    for (std::size_t i = 0; i < samples.size(); ++i) {
        const double from = samples[i].angle_deg;
        const double width =
            i + 1 < samples.size() ? samples[i + 1].angle_deg - from : samples[0].angle_deg + 360 - from;
        if (width > widest) {
            begin = from;
            widest = width;
        }
    }
    return {begin, widest};
}

/// Half a circle is all that some files have: the other half follows by symmetry.
Cut filled(const RawCut& raw, const std::vector<Sample>& samples, PatternFile& file) {
    Cut cut = on_degrees(samples);
    const auto [begin, gap] = widest_gap(samples);
    if (gap < 20) return cut;
    const Said which = said_mark(role_words(raw.role));
    const bool half = std::abs(gap - 180) < 12;
    const bool left_half = half && raw.role == CutRole::azimuth && (begin > 168 && begin < 192);
    const bool right_half = half && raw.role == CutRole::azimuth && (begin < 12 || begin > 348);
    const bool back_half = half && raw.role == CutRole::elevation && begin > 78 && begin < 102;
    if (left_half || right_half) {
        for (int d = 1; d < 180; ++d) (left_half ? cut[-d] : cut[d]) = left_half ? cut[d] : cut[-d];
        file.warnings.push_back(say("the azimuth cut tells one side only: the other is taken to be alike"));
    } else if (back_half) {
        for (int d = 91; d < 270; ++d) cut[d] = cut[180 - d];
        file.warnings.push_back(say(
            "the elevation cut tells the front only: behind it is taken to be alike, which it seldom is"));
    } else {
        file.warnings.push_back(say("the %1 has a gap of %2° from %3° on: it is bridged by a line", which,
                                    said_figure(gap, 0), said_figure(begin, 0)));
    }
    return cut;
}

void note_front(const PatternCuts& cuts, PatternFile& file) {
    constexpr double agree_db = 1;
    for (const auto& [degree, where] : {std::pair{0, mark("in front")}, std::pair{180, mark("behind")}}) {
        const double off_db = cuts.azimuth[degree] - cuts.elevation[degree];
        if (std::abs(off_db) > agree_db)
            file.warnings.push_back(
                say("the cuts differ by %1 dB %2, where they should meet: the azimuth may be "
                    "taken through a tilted beam, or a cut is turned",
                    said_figure(std::abs(off_db), 1), said_mark(where)));
    }
}

/// A second one at the same angle is left out, as a second main one is.
void leave_out(const RawCut& raw, PatternFile& file) {
    file.warnings.push_back(say("a second %1 at %2 MHz is left out", said_mark(role_words(raw.role)),
                                said_figure(raw.frequency_mhz, 0)));
}

void add_further(const RawCut& raw, const Cut& cut, std::vector<FurtherCut>& all, PatternFile& file) {
    const bool upright = raw.role == CutRole::elevation;
    FurtherCut f{upright ? FurtherCut::Kind::upright : FurtherCut::Kind::level, raw.at_deg, cut};
    if (std::ranges::any_of(all,
                            [&](const FurtherCut& g) { return g.kind == f.kind && g.at_deg == f.at_deg; }))
        return leave_out(raw, file);
    all.push_back(std::move(f));
}

/// What elevation cuts in several directions say of the horizon, between them by lines.
Cut horizon_of(const Cut& main, const std::vector<FurtherCut>& further) {
    std::map<double, double> at{{0, main[0]}, {180, main[180]}, {360, main[0]}};
    for (const FurtherCut& f : further) {
        if (f.kind != FurtherCut::Kind::upright) continue;
        at[f.at_deg] = f.cut[0];
        at[f.at_deg + 180] = f.cut[180];
    }
    Cut made;
    for (int degree = 0; degree < Cut::degrees; ++degree) {
        const auto above = at.upper_bound(degree), below = std::prev(above);
        made[degree] =
            std::lerp(below->second, above->second, (degree - below->first) / (above->first - below->first));
    }
    return made;
}

/// One azimuth and one elevation cut a frequency; where one of them stands for all frequencies it is shared.
std::vector<PatternCuts> paired(const std::vector<std::pair<RawCut, Cut>>& cuts, const std::string& name,
                                bool fill_missing, PatternFile& file) {
    std::map<double, std::pair<const Cut*, const Cut*>> at;
    std::map<double, std::vector<FurtherCut>> further;
    for (const auto& [raw, cut] : cuts) {
        if (raw.at_deg != 0) {
            add_further(raw, cut, further[raw.frequency_mhz], file);
            continue;
        }
        auto& [azimuth, elevation] = at[raw.frequency_mhz];
        const Cut*& place = raw.role == CutRole::azimuth ? azimuth : elevation;
        if (place)
            leave_out(raw, file);
        else
            place = &cut;
    }
    const Cut *any_azimuth = nullptr, *any_elevation = nullptr;
    for (const auto& [frequency, both] : at) {
        if (!any_azimuth) any_azimuth = both.first;
        if (!any_elevation) any_elevation = both.second;
    }
    for (auto& [frequency, all] : further) put_in_order(all);
    Cut from_uprights;
    if (!any_azimuth && any_elevation && !further.empty() && !further.begin()->second.empty()) {
        from_uprights = horizon_of(*any_elevation, further.begin()->second);
        any_azimuth = &from_uprights;
        file.warnings.push_back(
            say("there is no azimuth cut: it is made of the elevations where they are level"));
    }
    static const Cut round;
    if (fill_missing && any_elevation && !any_azimuth) {
        any_azimuth = &round;
        file.warnings.push_back(say("there is no azimuth cut: the antenna is taken to be round"));
    } else if (fill_missing && any_azimuth && !any_elevation) {
        any_elevation = any_azimuth;
        file.warnings.push_back(say("there is no elevation cut: it is taken to be as the azimuth"));
    }
    if (!any_azimuth || !any_elevation)
        throw Error(any_azimuth ? say("has no elevation cut") : say("has no azimuth cut"), name,
                    say("Say which block of numbers is which cut, or choose a file with both"));
    std::vector<PatternCuts> list;
    for (const auto& [frequency, both] : at)
        list.push_back({frequency, both.first ? *both.first : *any_azimuth,
                        both.second ? *both.second : *any_elevation, std::move(further[frequency])});
    return list;
}

}  // namespace

bool looks_like_attenuation(const std::vector<RawCut>& cuts) {
    bool above = false;
    for (const RawCut& cut : cuts)
        for (const Sample& s : cut.samples) {
            if (s.value < 0) return false;
            above = above || s.value > 0.5;
        }
    return above;
}

void assemble(std::vector<RawCut> raw, const Meaning& meaning, std::optional<double> gain_dbi,
              const std::string& name, PatternFile& file) {
    std::erase_if(raw, [](const RawCut& c) { return c.role == CutRole::unused || c.samples.empty(); });
    if (raw.empty())
        throw Error(say("holds no pattern"), name,
                    say("Choose a file with angles and dB: the standard format, CSV or a table"));
    for (const RawCut& cut : raw) check_values(cut, name);
    file.attenuation = meaning.attenuation;
    file.azimuth_runs_left = meaning.azimuth_runs_left;
    file.elevation_runs_down = meaning.elevation_runs_down;
    std::vector<std::pair<RawCut, Cut>> cuts;
    for (RawCut& cut : raw) {
        check_count(cut, name);
        settle_place(cut, meaning, name);
        cuts.emplace_back(cut, filled(cut, sorted(cut, meaning, file), file));
    }
    file.cuts = paired(cuts, name, meaning.fill_missing_cut, file);
    double peak_db = -1e9;
    for (const PatternCuts& c : file.cuts)
        each_cut(c, [&](const Cut& cut) { peak_db = std::max(peak_db, cut.highest()); });
    for (PatternCuts& c : file.cuts) each_cut(c, [&](Cut& cut) { cut.shift_db(-peak_db); });
    if (meaning.absolute)
        gain_dbi = gain_dbi.value_or(0) + peak_db;
    else if (peak_db > 0.5)
        file.warnings.push_back(
            say("values rise to %1 dB though they are told to be relative: all are lowered by that",
                said_figure(peak_db, 1)));
    const double directivity_dbi = measures(file.cuts.front()).directivity_dbi;
    file.gain_assumed = !gain_dbi;
    file.gain_dbi = gain_dbi.value_or(std::round(directivity_dbi * 10) / 10);
    if (!(file.gain_dbi >= least_gain_dbi && file.gain_dbi <= most_gain_dbi))
        throw Error(say("a gain of %1 dBi is beyond reason", said_figure(file.gain_dbi, 1)), name,
                    say("State the gain in dBi"));
    if (file.gain_assumed)
        file.warnings.push_back(
            say("no gain is told: %1 dBi is the directivity of its cuts", said_figure(file.gain_dbi, 1)));
    else if (directivity_dbi < file.gain_dbi - 0.5)
        file.warnings.push_back(
            say("a gain of %1 dBi is more than its cuts can have (%2 dBi): the cuts may be "
                "swapped, the sign turned, or the gain in dBd",
                said_figure(file.gain_dbi, 1), said_figure(directivity_dbi, 1)));
    else if (directivity_dbi > file.gain_dbi + 3.5)
        file.warnings.push_back(
            say("the cuts have %2 dBi, %3 dB more than the gain of %1 dBi: more than an antenna loses",
                said_figure(file.gain_dbi, 1), said_figure(directivity_dbi, 1),
                said_figure(directivity_dbi - file.gain_dbi, 1)));
    note_front(file.cuts.front(), file);
}

}  // namespace yemvo::pattern_text
