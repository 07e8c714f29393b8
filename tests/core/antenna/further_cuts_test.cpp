// SPDX-License-Identifier: GPL-3.0-or-later
// Patterns with more cuts than an azimuth and an elevation.
#include <cmath>
#include <numbers>

#include "antenna/measured_lobe.h"
#include "antenna/pattern/measured_pattern.h"
#include "antenna/pattern/pattern_file.h"
#include "base/number_text.h"
#include "core/support.h"
#include "project/edits.h"
#include "project/gear_edits.h"
#include "project/json_project.h"

using namespace yemvo;

namespace {

constexpr double degree = std::numbers::pi / 180;

/// A beam of 60 by 20 degrees, rolled by 45 about its axis: neither of its main cuts shows how wide it is.
double rolled_db(double azimuth_deg, double elevation_deg) {
    const double a = azimuth_deg * degree, e = elevation_deg * degree;
    const double front = std::cos(a) * std::cos(e), right = std::sin(a) * std::cos(e), up = std::sin(e);
    const double along = (right + up) / std::sqrt(2), across = (right - up) / std::sqrt(2);
    const double off_axis = std::atan2(std::hypot(along, across), front) / degree;
    const double length = std::max(std::hypot(along, across), 1e-9);
    const double x = off_axis * along / length / 60, y = off_axis * across / length / 20;
    return std::max(-12 * (x * x + y * y), -25.0);
}

/// Its elevation at an azimuth, all round.
Cut upright_at(double at_deg) {
    Cut cut;
    for (int d = 0; d < 360; ++d) {
        const double over = d > 270 ? d - 360.0 : d;
        cut[d] = over <= 90 ? rolled_db(at_deg, over) : rolled_db(at_deg + 180, 180 - over);
    }
    return cut;
}

Cut level_at(double at_deg) {
    Cut cut;
    for (int d = 0; d < 360; ++d) cut[d] = rolled_db(d, at_deg);
    return cut;
}

PatternCuts with_further(int upright_step_deg, const std::vector<double>& levels = {}) {
    PatternCuts cuts{5500, level_at(0), upright_at(0)};
    if (upright_step_deg)
        for (int at = upright_step_deg; at < 180; at += upright_step_deg)
            cuts.further.push_back({FurtherCut::Kind::upright, double(at), upright_at(at)});
    for (double at : levels) cuts.further.push_back({FurtherCut::Kind::level, at, level_at(at)});
    return cuts;
}

/// Over the directions within 60 degrees of the front, by the most and in the mean [dB].
std::pair<double, double> off_db(const PatternCuts& cuts) {
    double most = 0, sum = 0;
    int n = 0;
    for (int az = -60; az <= 60; az += 3)
        for (int el = -60; el <= 60; el += 3, ++n) {
            const double off = std::abs(relative_gain_db(cuts, {double(az), double(el)}) - rolled_db(az, el));
            most = std::max(most, off);
            sum += off;
        }
    return {most, sum / n};
}

std::string rows(const char* cut, double at_deg, const Cut& values) {
    std::string text;
    for (int d = 0; d < 360; ++d)
        text += std::string(cut) + "," + std::to_string(d) + "," + plain_number(values[d], 3) + "," +
                plain_number(at_deg, 1) + "\n";
    return text;
}

}  // namespace

TEST_CASE("a rolled beam needs more than two cuts, and the further ones are what it follows") {
    const auto two = off_db(with_further(0)), six = off_db(with_further(30)), many = off_db(with_further(5));
    CHECK(two.first > 10);  // two cuts cannot tell
    CHECK(six.second < two.second / 2);
    CHECK(many.second < 0.2);
    CHECK(off_db(with_further(0, {-30, -20, -10, 10, 20, 30})).second < two.second / 2);
}

TEST_CASE("gains go through every cut, on both of its halves, and are what they were without further ones") {
    const PatternCuts cuts = with_further(40, {25});
    for (int el = -85; el <= 85; el += 10) {
        CHECK(relative_gain_db(cuts, {0, double(el)}) == Approx(rolled_db(0, el)).margin(1e-6));
        CHECK(relative_gain_db(cuts, {180, double(el)}) == Approx(rolled_db(180, el)).margin(1e-6));
        if (el < 0) {  // above, the level cut has a say between its angle and the cuts
            CHECK(relative_gain_db(cuts, {40, double(el)}) == Approx(rolled_db(40, el)).margin(1e-6));
            CHECK(relative_gain_db(cuts, {-140, double(el)}) == Approx(rolled_db(-140, el)).margin(1e-6));
        }
    }
    for (int az = -180; az < 180; az += 15) {
        CHECK(relative_gain_db(cuts, {double(az), 25}) == Approx(rolled_db(az, 25)).margin(1e-6));
        CHECK(relative_gain_db(cuts, {double(az), 0}) == Approx(rolled_db(az, 0)).margin(1e-6));
    }
    // a cut that is what the blend makes there anyway changes nothing
    PatternCuts plain = with_further(0);
    const PatternCuts before = plain;
    Cut same;
    for (int d = 0; d < 360; ++d) {
        const double over = d > 270 ? d - 360.0 : d;
        same[d] =
            over <= 90 ? relative_gain_db(before, {70, over}) : relative_gain_db(before, {-110, 180 - over});
    }
    plain.further.push_back({FurtherCut::Kind::upright, 70, same});
    for (int az = -175; az < 180; az += 25)
        for (int el = -80; el <= 80; el += 20)
            CHECK(relative_gain_db(plain, {double(az), double(el)}) ==
                  Approx(relative_gain_db(before, {double(az), double(el)})).margin(0.02));
}

TEST_CASE("cuts that a file tells in any order are one pattern") {
    const std::string head = "# 12 dBi, 5500 MHz\ncut,angle_deg,rel_db,at_deg\n";
    std::vector<std::string> parts{rows("H", 0, level_at(0)),     rows("V", 0, upright_at(0)),
                                   rows("H", 20, level_at(20)),   rows("V", 120, upright_at(120)),
                                   rows("V", 60, upright_at(60)), rows("H", -30, level_at(-30))};
    const auto read = [&] {
        std::string text = head;
        for (const std::string& p : parts) text += p;
        return read_pattern(text, "a.csv").cuts[0];
    };
    const PatternCuts first = read();
    std::ranges::reverse(parts);
    CHECK(read() == first);
    for (int az = -170; az < 180; az += 30)
        CHECK(relative_gain_db(first, {double(az), 20}) == Approx(rolled_db(az, 20)).margin(0.01));
    for (int el = -80; el <= -40; el += 10)
        CHECK(relative_gain_db(with_further(60), {120, double(el)}) ==
              Approx(rolled_db(120, el)).margin(1e-6));
}

TEST_CASE("further cuts are written and read again, in the standard format and as a table") {
    PatternFile file;
    file.name = "Rolled";
    file.gain_dbi = 12;
    file.cuts = {with_further(60, {-20})};
    for (const std::string& text : {write_standard_pattern(file), write_csv_pattern(file)}) {
        const PatternFile again = read_pattern(text, "rolled");
        REQUIRE(again.cuts.size() == 1);
        REQUIRE(again.cuts[0].further.size() == 3);
        for (std::size_t i = 0; i < 3; ++i) {
            const FurtherCut &a = again.cuts[0].further[i], &b = file.cuts[0].further[i];
            CHECK(a.kind == b.kind);
            CHECK(a.at_deg == b.at_deg);
            for (int d = 0; d < 360; ++d) CHECK(a.cut[d] == Approx(b.cut[d]).margin(0.01));
        }
    }
}

TEST_CASE("a cut told from the other side, or with angles the other way round, is the same cut") {
    const std::string head = "# 12 dBi, 5500 MHz\ncut,angle_deg,rel_db,at_deg\n";
    const std::string main = rows("H", 0, level_at(0)) + rows("V", 0, upright_at(0));
    const auto read = [&](const std::string& further, const PatternWishes& wishes = {}) {
        const PatternFile f = read_pattern(head + main + further, "a.csv", wishes);
        REQUIRE(f.cuts[0].further.size() == 1);
        return f.cuts[0].further[0];
    };
    const FurtherCut plain = read(rows("V", 40, upright_at(40)));
    CHECK(plain.at_deg == 40);
    const FurtherCut other_side = read(rows("V", 220, upright_at(220)));
    CHECK(other_side.at_deg == 40);
    for (int d = 0; d < 360; ++d) CHECK(other_side.cut[d] == Approx(plain.cut[d]).margin(0.01));
    PatternWishes left;
    left.azimuth_runs_left = true;
    CHECK(read(rows("V", -40, upright_at(40)), left).at_deg == 40);
    PatternWishes down;
    down.elevation_runs_down = true;
    CHECK(read(rows("H", -25, level_at(25)), down).at_deg == 25);
    // twice the same is told, an azimuth over the pole refused with its line
    const PatternFile twice =
        read_pattern(head + main + rows("V", 40, upright_at(40)) + rows("V", 220, upright_at(220)), "a.csv");
    CHECK(twice.cuts[0].further.size() == 1);
    CHECK(twice.warnings.front().english().find("second elevation") != std::string::npos);
    const auto standard = [](const std::string& tail) {
        std::string text = "PATFRE:,5500\nMDGAIN:,9\n";
        for (const char* cut : {"AZ", "EL"}) {
            text += "PATCUT:," + std::string(cut) + tail + "\n";
            for (int d = 0; d < 360; d += 5) text += std::to_string(d) + ",-1,\n";
        }
        return read_pattern(text + "ENDFIL:,EOF\n", "a.ant");
    };
    CHECK(standard(",,").warnings.size() == standard("").warnings.size());
    CHECK(standard(",abc").warnings.front().english().find("no angle of a cut") != std::string::npos);
    // the column may be left empty where it would be 0
    std::string blank = main;
    for (std::size_t i = blank.find(",0.0\n"); i != std::string::npos; i = blank.find(",0.0\n", i + 2))
        blank.replace(i, 5, ",\n");
    CHECK(read_pattern(head + blank, "a.csv").cuts[0].azimuth[30] ==
          Approx(read_pattern(head + main, "a.csv").cuts[0].azimuth[30]));
    CHECK_THROWS_WITH(read_pattern(head + main + rows("H", 95, level_at(0)), "a.csv"),
                      Catch::Contains("is none") && Catch::Contains("line 723"));
}

TEST_CASE("elevations in several directions make an azimuth where there is none") {
    std::string text = "PATFRE:,5500\nMDGAIN:,12\n";
    for (int at = 0; at < 180; at += 15) {
        text += "PATCUT:,EL," + std::to_string(at) + "\n";
        const Cut cut = upright_at(at);
        for (int d = 0; d < 360; ++d) text += std::to_string(d) + "," + plain_number(cut[d], 2) + ",\n";
    }
    const PatternFile file = read_pattern(text + "ENDFIL:,EOF\n", "a.ant");
    REQUIRE(file.cuts[0].further.size() == 11);
    for (int d = 0; d < 360; d += 15) CHECK(file.cuts[0].azimuth[d] == Approx(rolled_db(d, 0)).margin(0.02));
    CHECK(file.warnings.front().english().find("made of the elevations") != std::string::npos);
}

TEST_CASE("further cuts belong to a lobe: to its key, its frequencies, the project's file") {
    const auto lobe = [](std::vector<PatternCuts> cuts) {
        return MeasuredLobe({"rolled", PatternFrame::upright, Blend::by_angle, std::move(cuts)});
    };
    const MeasuredLobe two = lobe({with_further(0)}), six = lobe({with_further(30)});
    CHECK(two.key() != six.key());
    PatternCuts low = with_further(30), high = low;
    high.frequency_mhz = 6000;
    for (int d = 0; d < 360; ++d) high.further[0].cut[d] = std::max(high.further[0].cut[d] - 2, -60.0);
    high.further.pop_back();  // at 150 degrees in the lower one alone
    const PatternCuts between = cuts_at({low, high}, 5625);
    REQUIRE(between.further.size() == low.further.size());
    CHECK(between.further[0].cut[0] == Approx(low.further[0].cut[0] - 0.5));
    CHECK(between.further.back() == low.further.back());
    CHECK(cuts_at({low, high}, 5900).further.size() == high.further.size());

    Project p = test::one_floor();
    AntennaModel antenna = p.antennas->front();
    antenna.bands[0].antenna.lobe = six;
    const AntennaId id = add_antenna(p, antenna);
    const Project again = project_from_json(project_to_json(p));
    CHECK(std::get<MeasuredLobe>(find_antenna(again, id)->bands[0].antenna.lobe) == six);
    for (const auto& [from, to] : {std::pair{"\"at_deg\": 30.0", "\"at_deg\": 200.0"},
                                   std::pair{"\"at_deg\": 30.0", "\"at_deg\": 60.0"},
                                   std::pair{"\"cut\": \"elevation\"", "\"cut\": \"slanted\""}}) {
        std::string text = project_to_json(p);
        const auto at = text.find(from);
        REQUIRE(at != std::string::npos);
        text.replace(at, std::string(from).size(), to);
        CHECK_THROWS_AS(project_from_json(text), Error);
    }
}
