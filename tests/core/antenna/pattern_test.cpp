// SPDX-License-Identifier: GPL-3.0-or-later
// Measured antennas: what lies between two cuts, and files that hold them.
#include "antenna/pattern/cut_edits.h"
#include "antenna/pattern/cuts.h"
#include "antenna/pattern/pattern_file.h"
#include "base/number_text.h"
#include "core/support.h"

using namespace yemvo;
using yemvo::test::check_value;

namespace {

std::string data(const char* name) {
    std::ifstream in(yemvo::test::test_data() + "/" + name, std::ios::binary);
    REQUIRE(in);
    return {std::istreambuf_iterator<char>(in), {}};
}

PatternCuts panel() { return read_pattern(data("panel_cuts.csv"), "panel_cuts.csv").cuts.front(); }

std::string words(const PatternFile& file) {
    std::string all;
    for (const Said& w : file.warnings) all += w.english() + "\n";
    return all;
}

/// Both cuts as rows "angle<mark>value", from -180 to 180 - step, quadratic lobes.
std::string rows(int width_deg, int tilt_deg, int step, const char* between, double sign = 1) {
    std::string text;
    for (int a = -180; a < 180; a += step) {
        const double x = std::remainder(a + tilt_deg, 360.0) / width_deg;
        text += std::to_string(a) + between + plain_number(-sign * std::min(12 * x * x, 25.0), 2) + "\n";
    }
    return text;
}

std::string standard(const std::string& head, const std::string& azimuth, const std::string& elevation) {
    return head + "PATFRE:,5500\nPATCUT:,AZ\n" + azimuth + "PATCUT:,EL\n" + elevation + "ENDFIL:,EOF\n";
}

double furthest_db(const PatternFile& a, const PatternFile& b) {
    REQUIRE(a.cuts.size() == b.cuts.size());
    double most = std::abs(a.gain_dbi - b.gain_dbi);
    for (std::size_t i = 0; i < a.cuts.size(); ++i)
        for (int d = 0; d < Cut::degrees; ++d)
            most = std::max({most, std::abs(a.cuts[i].azimuth[d] - b.cuts[i].azimuth[d]),
                             std::abs(a.cuts[i].elevation[d] - b.cuts[i].elevation[d])});
    return most;
}

}  // namespace

TEST_CASE("directions between the cuts agree with values worked out elsewhere") {
    const PatternCuts p = panel();
    CHECK(relative_gain_db(p, {40, -20}, Blend::summed) == Approx(check_value("a.7")).margin(0.001));
    CHECK(relative_gain_db(p, {40, -20}, Blend::by_angle) == Approx(check_value("a.8")).margin(0.001));
    CHECK(relative_gain_db(p, {40, -20}, Blend::cross_weighted) == Approx(check_value("a.9")).margin(0.001));
    CHECK(relative_gain_db(p, {150, -30}, Blend::by_angle) == Approx(check_value("a.10")).margin(0.001));
    CHECK(relative_gain_db(p, {150, -30}, Blend::cross_weighted) ==
          Approx(check_value("a.11")).margin(0.001));
    // 12.803 by the same formula in another language; the check value took steps of 2 degrees, whose grid
    // misses the peak by 0.2 dB
    CHECK(measures(p).directivity_dbi == Approx(12.803).margin(0.002));
    CHECK(measures(p).directivity_dbi == Approx(check_value("a.12") + 0.2).margin(0.01));
}

TEST_CASE("the blend by angle goes through both cuts and has one value at each pole") {
    const PatternCuts p = panel();
    for (int d = -180; d < 180; d += 7) {
        CHECK(relative_gain_db(p, {double(d), 0}) == Approx(p.azimuth[d]).margin(1e-6));
        if (d >= -90 && d <= 90) {
            CHECK(relative_gain_db(p, {0, double(d)}) == Approx(p.elevation[d]).margin(1e-6));
            CHECK(relative_gain_db(p, {180, double(d)}) == Approx(p.elevation[180 - d]).margin(1e-6));
        }
        CHECK(relative_gain_db(p, {double(d), 90}) == Approx(p.elevation[90]).margin(1e-6));
        CHECK(relative_gain_db(p, {double(d), -90}) == Approx(p.elevation[270]).margin(1e-6));
    }
}

TEST_CASE("forward is the sum in front and by angle behind; nothing falls below the floor") {
    const PatternCuts p = panel();
    CHECK(relative_gain_db(p, {0, 0}, Blend::forward) == Approx(relative_gain_db(p, {0, 0}, Blend::summed)));
    CHECK(relative_gain_db(p, {180, 0}, Blend::forward) ==
          Approx(relative_gain_db(p, {180, 0}, Blend::by_angle)));
    PatternCuts deep = p;
    deep.azimuth.shift_db(-50);
    CHECK(relative_gain_db(deep, {90, 40}, Blend::summed) == pattern_floor_db);
}

TEST_CASE("what a sheet says of a pattern is measured on its cuts") {
    const PatternFile file = read_pattern(data("panel.ant"), "panel.ant");
    REQUIRE(file.cuts.size() == 1);
    const PatternMeasures m = measures(file.cuts.front());
    CHECK(file.cuts.front().frequency_mhz == 5500);
    CHECK(file.name == "MADEUP-P65-11");
    CHECK(file.gain_dbi == Approx(11.5));
    CHECK_FALSE(file.gain_assumed);
    CHECK(m.azimuth_width_deg == Approx(65).margin(1.5));    // AZWIDT of its head
    CHECK(m.elevation_width_deg == Approx(30).margin(1.5));  // ELWIDT
    CHECK(m.front_to_back_db == Approx(25).margin(0.1));     // FRTOBA
    CHECK(m.peak_elevation_deg >= 354);                      // ELTILT 6, below the horizon
}

TEST_CASE("the standard format and the table of the same antenna agree") {
    const PatternFile standard = read_pattern(data("panel.ant"), "panel.ant"),
                      table = read_pattern(data("panel_cuts.csv"), "panel_cuts.csv");
    CHECK(table.format == PatternFormat::csv);
    CHECK(table.gain_dbi == Approx(11.5));
    CHECK(table.cuts.front().frequency_mhz == Approx(5537.5));
    for (int d = 0; d < 360; d += 5) {  // the one has a row every 5 degrees
        CHECK(standard.cuts.front().azimuth[d] == Approx(table.cuts.front().azimuth[d]).margin(0.011));
        CHECK(standard.cuts.front().elevation[d] == Approx(table.cuts.front().elevation[d]).margin(0.011));
    }
}

TEST_CASE("a pattern that is written and read again is the same within a hundredth of a dB") {
    for (const char* name : {"panel.ant", "panel_cuts.csv"}) {
        const PatternFile file = read_pattern(data(name), name);
        const PatternFile again = read_pattern(write_standard_pattern(file), "again.ant");
        CHECK(again.format == PatternFormat::standard);
        CHECK(furthest_db(file, again) <= 0.01);
        const PatternFile table = read_pattern(write_csv_pattern(file), "again.csv");
        CHECK(table.format == PatternFormat::csv);
        CHECK(furthest_db(file, table) <= 0.01);
        CHECK(furthest_db(again, read_pattern(write_csv_pattern(again), "third.csv")) < 1e-9);
    }
}

TEST_CASE("the standard format is read as practice writes it") {
    const std::string az = rows(65, 0, 5, ","), el = rows(30, 6, 5, ",");
    const PatternFile plain =
        read_pattern(standard("REVNUM:,NSMA WG16.99.050\nMDGAIN:,11.5\n", az, el), "a.ant");
    SECTION("any case, keys without colon or comma, blanks and commas behind") {
        std::string text = standard("revnum:,nsma wg16.99.050\nmdgain,11.5\n", az, el);
        text.replace(text.find("PATCUT:,AZ"), 10, "patcut:az  ,,");
        CHECK(furthest_db(plain, read_pattern(text, "b.ant")) < 1e-9);
    }
    SECTION("lines that end with CR LF, and a phase") {
        std::string text;
        for (char c : standard("REVNUM:,NSMA WG16.99.050\nMDGAIN:,11.5\n", az, el))
            text += c == '\n' ? std::string("\r\n") : std::string(1, c);
        CHECK(furthest_db(plain, read_pattern(text, "b.ant")) < 1e-9);
    }
    SECTION("the end of the circle told twice, rows in any order") {
        std::string more = "180,-25.00\n" + az;
        const PatternFile file = read_pattern(standard("REVNUM:,x\nMDGAIN:,11.5\n", more, el), "b.ant");
        CHECK(furthest_db(plain, file) < 1e-9);
        CHECK(words(file).find("twice") == std::string::npos);
        const PatternFile other =
            read_pattern(standard("REVNUM:,x\nMDGAIN:,11.5\n", "180,-3\n" + az, el), "b.ant");
        CHECK(words(other).find("twice") != std::string::npos);
    }
    SECTION("losses instead of gains") {
        const PatternFile file = read_pattern(
            standard("REVNUM:,x\nMDGAIN:,11.5\n", rows(65, 0, 5, ",", -1), rows(30, 6, 5, ",", -1)), "b.ant");
        CHECK(furthest_db(plain, file) < 1e-9);
    }
    SECTION("gain in dBd") {
        CHECK(read_pattern(standard("REVNUM:,x\nGUNITS:,DBD/DBR\nMDGAIN:,9\n", az, el), "b.ant").gain_dbi ==
              Approx(11.15));
    }
    SECTION("absolute values carry the gain") {
        std::string high_az, high_el;
        for (int a = -180; a < 180; a += 5) {
            const double x = a / 65.0, y = std::remainder(a + 6, 360.0) / 30;
            high_az += std::to_string(a) + "," + plain_number(11.5 - std::min(12 * x * x, 25.0), 2) + "\n";
            high_el += std::to_string(a) + "," + plain_number(11.5 - std::min(12 * y * y, 25.0), 2) + "\n";
        }
        const PatternFile file =
            read_pattern(standard("REVNUM:,x\nGUNITS:,DBI/DBI\n", high_az, high_el), "b.ant");
        CHECK(file.gain_dbi == Approx(11.5).margin(0.6));
        CHECK(file.cuts.front().azimuth[0] == Approx(0).margin(0.6));
    }
    SECTION("an elevation that is turned over is turned back by the told tilt") {
        const PatternFile file =
            read_pattern(standard("REVNUM:,x\nMDGAIN:,11.5\nELTILT:,6\n", az, rows(30, -6, 5, ",")), "b.ant");
        CHECK(file.cuts.front().elevation.peak_deg() >= 350);
        CHECK(words(file).find("turned over") != std::string::npos);
    }
    SECTION("cross-polar cuts are left out, and said so") {
        const std::string text =
            standard("REVNUM:,x\nMDGAIN:,11.5\n", az,
                     el + "PATCUT:,AZ\nPOLARI:,H/V\n" + rows(65, 0, 5, ",").replace(0, 4, "-180"));
        const PatternFile file = read_pattern(text, "b.ant");
        CHECK(words(file).find("1 cross-polar cut is left out") != std::string::npos);
        CHECK(furthest_db(plain, file) < 1e-9);
    }
    SECTION("several frequencies, with lines between them") {
        std::string text = "REVNUM:,x\nMDGAIN:,11\n";
        for (int f : {5900, 5100})
            text += "PATFRE:," + std::to_string(f) + "\nPATCUT:,AZ\n" + rows(f == 5100 ? 70 : 60, 0, 5, ",") +
                    "PATCUT:,EL\n" + el;
        const PatternFile file = read_pattern(text + "ENDFIL:,EOF\n", "b.ant");
        REQUIRE(file.cuts.size() == 2);
        CHECK(file.cuts[0].frequency_mhz == 5100);
        const double at_30 = cuts_at(file.cuts, 5500).azimuth[30];
        CHECK(at_30 == Approx((file.cuts[0].azimuth[30] + file.cuts[1].azimuth[30]) / 2));
        CHECK(cuts_at(file.cuts, 2400).azimuth[30] == file.cuts[0].azimuth[30]);
        CHECK(cuts_at(file.cuts, 7000).azimuth[30] == file.cuts[1].azimuth[30]);
    }
    SECTION("no gain: the directivity, and it is said") {
        const PatternFile file = read_pattern(standard("REVNUM:,x\n", az, el), "b.ant");
        CHECK(file.gain_assumed);
        CHECK(file.gain_dbi == Approx(measures(file.cuts.front()).directivity_dbi).margin(0.06));
        CHECK(words(file).find("no gain is told") != std::string::npos);
    }
}

TEST_CASE("tables come in dialects") {
    const auto wide = [](const char* head, const char* mark, bool comma) {
        std::string text = head;
        for (int a = 0; a < 360; ++a) {
            const double x = std::remainder(double(a), 360.0) / 70, y = std::remainder(a + 10.0, 360.0) / 20;
            std::string row = std::to_string(a) + mark + plain_number(-std::min(12 * x * x, 22.0), 2) + mark +
                              plain_number(-std::min(12 * y * y, 22.0), 2) + "\n";
            if (comma) std::replace(row.begin(), row.end(), '.', ',');
            text += row;
        }
        return text;
    };
    const PatternFile plain =
        read_pattern(wide("# gain 9 dBi at 2450 MHz\nangle,h,v\n", ",", false), "a.csv");
    CHECK(plain.gain_dbi == 9);
    CHECK(plain.cuts.front().frequency_mhz == 2450);
    CHECK(plain.cuts.front().elevation.peak_deg() == 350);
    CHECK(furthest_db(plain, read_pattern(wide("# 9 dBi, 2.45 GHz\nAngle;Azimuth;Elevation\n", ";", true),
                                          "b.csv")) < 1e-9);
    CHECK(furthest_db(plain, read_pattern(wide("\xef\xbb\xbf# 9.0 dBi, 2.45 GHz\n", "\t", false), "c.csv")) <
          1e-9);
    const PatternFile down =
        read_pattern(wide("# 9 dBi, elevation positive down\nangle,h,v\n", ",", false), "d.csv");
    CHECK(down.cuts.front().elevation.peak_deg() == 10);
    PatternWishes wishes;
    wishes.elevation_runs_down = false;
    wishes.gain_dbi = 12;
    const PatternFile wished =
        read_pattern(wide("# 9 dBi, elevation positive down\nangle,h,v\n", ",", false), "d.csv", wishes);
    CHECK(wished.cuts.front().elevation.peak_deg() == 350);
    CHECK(wished.gain_dbi == 12);
}

TEST_CASE("blocks of numbers in a text of any wording are found and proposed as cuts") {
    const auto block = [](int width, int tilt) {
        std::string text;
        for (int a = 0; a < 360; ++a) {
            const double x = std::remainder(a + double(tilt), 360.0) / width;
            text += std::to_string(a) + "  " + plain_number(std::min(12 * x * x, 25.0), 1) + "\n";
        }
        return text;
    };
    const std::string text =
        "Some works, antenna of theirs\nFrequency 5500 MHz, gain 10.5 dBi\nVertical plane\n" + block(30, 4) +
        "\nHorizontal plane\n" + block(80, 0);
    const auto blocks = number_blocks(text);
    REQUIRE(blocks.size() == 2);
    CHECK(blocks[0].line == 4);
    CHECK(blocks[0].proposed == CutRole::elevation);
    CHECK(blocks[1].proposed == CutRole::azimuth);
    const PatternFile file = read_pattern(text, "sheet.txt");
    CHECK(file.format == PatternFormat::table);
    CHECK(file.gain_dbi == 10.5);
    CHECK(file.cuts.front().frequency_mhz == 5500);
    CHECK(measures(file.cuts.front()).azimuth_width_deg == Approx(80).margin(0.5));
    CHECK(file.cuts.front().elevation.peak_deg() >= 355);  // flat to a tenth of a dB
    CHECK(file.cuts.front().elevation.peak_deg() <= 357);
    CHECK(words(file).find("was guessed") != std::string::npos);
    // a person knows better
    PatternWishes swapped;
    swapped.blocks = {CutRole::azimuth, CutRole::elevation};
    CHECK(measures(read_pattern(text, "sheet.txt", swapped).cuts.front()).azimuth_width_deg ==
          Approx(30).margin(0.5));
    // values alone, one column, the end told again
    std::string alone = "azimuth\n";
    for (int a = 0; a <= 360; ++a)
        alone += plain_number(-std::min(0.002 * std::pow(std::remainder(a, 360.0), 2), 20.0), 2) + "\n";
    const auto one = number_blocks(alone + "elevation\n" + block(30, 0));
    REQUIRE(one.size() == 2);
    CHECK(one[0].angles_deg[90] == Approx(90));
    CHECK(one[0].values_db.size() == 361);
}

TEST_CASE("a gain without a unit is taken for dBi and doubted; a person says which it is") {
    std::string rows;
    for (const char* cut : {"azimuth", "elevation"}) {
        rows += std::string(cut) + " plane\n";
        for (int a = 0; a < 360; a += 5) {
            const double x = std::remainder(a, 360.0) / 60;
            rows += std::to_string(a) + " " + plain_number(-std::min(12 * x * x, 25.0), 1) + "\n";
        }
    }
    const auto gain = [&](const std::string& words, std::optional<bool> dbd = {}) {
        PatternWishes wishes;
        wishes.gain_in_dbd = dbd;
        const PatternFile f = read_pattern(words + "\n" + rows, "a.txt", wishes);
        CHECK((::words(f).find("no unit") != std::string::npos) == (!dbd && words.find("dB") > words.size()));
        return f.gain_assumed ? NAN : f.gain_dbi;
    };
    CHECK(gain("Gain (mid band): 9.5") == 9.5);
    CHECK(gain("GAIN = 9.5, all ports") == 9.5);
    CHECK(gain("Gain: 9.5", true) == Approx(11.65));
    CHECK(gain("Gain: 9.5", false) == 9.5);
    CHECK(gain("Gain 9.5 dBd") == Approx(11.65));
    CHECK(gain("Gain 9.5 dBd", false) == 9.5);
    CHECK(gain("Gain 9.5 dBi", true) == Approx(11.65));
    const PatternFile none = read_pattern("Gain 5150 MHz and above\n" + rows, "a.txt");
    CHECK(none.gain_assumed);
}

TEST_CASE("the words of a sheet tell gain and frequency, or nothing") {
    const ToldInWords told =
        told_in_words("Sector panel\nFrequency\n5150 - 5850 MHz\nGain\n13.0 dBi\n65 deg\n");
    CHECK(told.gain_dbi == 13.0);
    CHECK(told.frequency_mhz == 5500);
    CHECK(told_in_words("gain 7 dBd at 2.45 GHz").gain_dbi == Approx(9.15));
    CHECK(told_in_words("gain 7 dBd at 2.45 GHz").frequency_mhz == 2450);
    CHECK(told_in_words("5150 -5850 MHz").frequency_mhz == 5500);
    CHECK(told_in_words("5150–5850 MHz").frequency_mhz == 5500);
    CHECK(told_in_words("from 5.15 to 5.85 GHz, 2 dBi").frequency_mhz == 5500);
    CHECK(told_in_words("gain -2 dBi").gain_dbi == -2);
    const ToldInWords nothing = told_in_words("Gain: 13 (see chart), weight 1.1 kg");
    CHECK_FALSE(nothing.gain_dbi);
    CHECK_FALSE(nothing.frequency_mhz);
    CHECK_FALSE(told_in_words("").gain_dbi);
    // a book of words is read in its length, not in its square
    std::string book;
    for (int i = 0; i < 400'000; ++i) book += "word 7 ";
    CHECK(told_in_words(book + "gain 3 dBi").gain_dbi == 3);
}

TEST_CASE("one cut alone is refused, unless the other may be filled in") {
    std::string rows;
    for (int a = 0; a < 360; a += 5)
        rows += std::to_string(a) + " " + plain_number(-std::abs(std::remainder(a, 360.0)) / 9, 2) + "\n";
    CHECK_THROWS_WITH(read_pattern("azimuth\n" + rows, "a.txt"), Catch::Contains("no elevation cut"));
    PatternWishes wishes;
    wishes.fill_missing_cut = true;
    const PatternFile alike = read_pattern("azimuth\n" + rows, "a.txt", wishes);
    CHECK(alike.cuts.front().elevation == alike.cuts.front().azimuth);
    CHECK(words(alike).find("as the azimuth") != std::string::npos);
    const PatternFile round = read_pattern("elevation\n" + rows, "a.txt", wishes);
    for (int d = 0; d < 360; d += 7) CHECK(round.cuts.front().azimuth[d] == 0);
    CHECK(words(round).find("taken to be round") != std::string::npos);
}

TEST_CASE("half a circle is filled by symmetry, and it is said") {
    std::string az, el;
    for (int a = 0; a <= 180; ++a) az += "H," + std::to_string(a) + "," + plain_number(-a / 10.0, 2) + "\n";
    for (int a = -90; a <= 90; ++a)
        el += "V," + std::to_string(a) + "," + plain_number(-std::abs(a) / 5.0, 2) + "\n";
    const PatternFile file = read_pattern("cut,angle,rel_db\n" + az + el, "half.csv");
    CHECK(file.cuts.front().azimuth[-40] == Approx(file.cuts.front().azimuth[40]));
    CHECK(file.cuts.front().elevation[170] == Approx(file.cuts.front().elevation[10]));
    CHECK(words(file).find("one side only") != std::string::npos);
    CHECK(words(file).find("front only") != std::string::npos);
}

TEST_CASE("a pattern that cannot be is refused with its line and what to do") {
    const auto refusal = [](const std::string& text) {
        try {
            read_pattern(text, "bad.csv");
        } catch (const Error& fault) {
            CHECK_FALSE(fault.remedy().empty());
            return std::string(fault.what());
        }
        FAIL("it was read: " << text.substr(0, 60));
        return std::string();
    };
    using Catch::Contains;
    CHECK_THAT(refusal(""), Contains("empty"));
    CHECK_THAT(refusal("  \n\t\n"), Contains("empty"));
    CHECK_THAT(refusal("a letter to a friend\nwithout numbers\n"), Contains("holds no pattern"));
    CHECK_THAT(refusal(std::string(100, '\0')), Contains("bad.csv"));
    const std::string az = rows(65, 0, 5, ",");
    CHECK_THAT(refusal("angle,h,v\n0,-1,nan\n" + std::string("5,-1,-2\n")),
               Contains("line 2") && Contains("is no number"));
    CHECK_THAT(refusal("angle,h,v\n0,-1,-2\n5,-1,x\n"), Contains("line 3") && Contains("'x'"));
    CHECK_THAT(refusal("angle,h,v\n0,-1,-900\n5,-1,-2\n"), Contains("beyond reason"));
    CHECK_THAT(refusal("cut,angle,db\nQ,0,-1\n"), Contains("'Q' is no cut"));
    CHECK_THAT(refusal("REVNUM:,x\nPATCUT:,AZ\n" + az + "ENDFIL:,EOF\n"), Contains("no elevation cut"));
    CHECK_THAT(refusal("REVNUM:,x\nMDGAIN:,900\nPATCUT:,AZ\n" + az + "PATCUT:,EL\n" + az),
               Contains("gain of 900"));
    CHECK_THAT(refusal("REVNUM:,x\nPATCUT:,AZ\n0,-1\n90,-2\nPATCUT:,EL\n" + az),
               Contains("2 angles, too few"));
}

TEST_CASE("359 rows, repeated angles and mixed signs are read with a word about them") {
    std::string text = "angle,h,v\n";
    for (int a = 0; a < 359; ++a) {
        const double x = std::remainder(double(a), 360.0) / 60;
        const std::string v = plain_number(3 - std::min(12 * x * x, 25.0), 2);  // rises above 0
        text += std::to_string(a) + "," + v + "," + v + "\n";
    }
    const PatternFile file = read_pattern(text, "odd.csv");
    CHECK(file.cuts.front().azimuth[0] == 0);
    CHECK(file.cuts.front().azimuth[359] == Approx(file.cuts.front().azimuth[1]).margin(0.02));
    CHECK(words(file).find("values rise to 3.0 dB") != std::string::npos);
}

TEST_CASE("a gain that its cuts cannot have is said") {
    const std::string az = rows(65, 0, 5, ","), el = rows(30, 6, 5, ",");
    CHECK(words(read_pattern(standard("REVNUM:,x\nMDGAIN:,16\n", az, el), "a.ant"))
              .find("more than its cuts can have") != std::string::npos);
    CHECK(words(read_pattern(standard("REVNUM:,x\nMDGAIN:,5\n", az, el), "a.ant"))
              .find("more than an antenna loses") != std::string::npos);
}

TEST_CASE("cuts are turned, mirrored, smoothed and evened") {
    Cut cut;
    for (int degree = 0; degree < 360; ++degree) cut[degree] = -0.1 * degree;
    CHECK(turned(cut, 10)[40] == Approx(-3.0));
    CHECK(turned(cut, -10)[40] == Approx(-5.0));
    CHECK(turned(cut, 0.5)[40] == Approx(-3.95));
    CHECK(mirrored(cut)[40] == cut[320]);
    CHECK(mirrored(mirrored(cut)) == cut);
    const Cut even = symmetric(cut);
    CHECK(even[90] == Approx((-9.0 - 27.0) / 2));
    CHECK(even[90] == even[270]);
    Cut spike;
    for (int degree = 0; degree < 360; ++degree) spike[degree] = degree == 90 ? 0 : -300;
    // one of five powers is 1, the others nothing
    CHECK(smoothed(spike, 2)[90] == Approx(10 * std::log10(0.2)));
    CHECK(smoothed(spike, 2)[92] == Approx(10 * std::log10(0.2)));
    CHECK(smoothed(spike, 2)[93] < -200);
    PatternCuts low;
    low.azimuth.shift_db(-4);
    low.elevation.shift_db(-6);
    CHECK(with_peak_at_0(low).azimuth[0] == 0);
    CHECK(with_peak_at_0(low).elevation[0] == -2);
}

TEST_CASE("the cuts of a lobe are its values in front, behind and over the poles") {
    const PatternCuts cuts = cuts_of(SectorLobe{70, 20, 4, 25, 20}, 5500);
    CHECK(cuts.frequency_mhz == 5500);
    const auto formula = [](double azimuth, double elevation) {
        return relative_gain_db(SectorLobe{70, 20, 4, 25, 20}, {azimuth, elevation});
    };
    CHECK(cuts.azimuth[35] == formula(35, 0));
    CHECK(cuts.azimuth[325] == formula(-35, 0));
    CHECK(cuts.elevation[350] == formula(0, -10));
    CHECK(cuts.elevation[90] == formula(0, 90));
    CHECK(cuts.elevation[170] == formula(180, 10));
    CHECK(cuts.elevation[190] == formula(180, -10));
}
