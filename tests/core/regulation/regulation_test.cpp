// SPDX-License-Identifier: GPL-3.0-or-later
// Against the database's content as text, written by a reader of its own (tools/regulatory_text.py), and
// against the rules' own figures.
#include "regulation/regulation.h"

#include <algorithm>
#include <fstream>
#include <regex>
#include <sstream>

#include "test_data.h"

using namespace yemvo;

namespace {

std::vector<std::byte> shipped_file(const char* name) {
    std::ifstream in(test::test_data() + "/../../data/" + name, std::ios::binary);
    const std::string text{std::istreambuf_iterator<char>(in), {}};
    const auto bytes = std::as_bytes(std::span(text));
    return {bytes.begin(), bytes.end()};
}

/// The shipped database: the system's may be another version.
const Regulation& shipped() {
    static const Regulation rules(RegulatoryDatabase::read(shipped_file("regulatory.db")),
                                  read_own_limits(shipped_file("regulation.json")));
    return rules;
}

struct TextRule {
    double low, high, width, eirp;
    std::string flags;
    bool has(const char* flag) const { return flags.find(flag) != std::string::npos; }
};
struct TextCountry {
    std::string region;
    std::vector<TextRule> rules;
};

std::map<std::string, TextCountry> database_text() {
    std::ifstream in(test::test_data() + "/regulatory_text.txt");
    std::map<std::string, TextCountry> out;
    std::string code;
    const std::regex head("country (..):(.*)"),
        rule("\\s*\\(([0-9.]+) - ([0-9.]+) @ ([0-9.]+)\\), \\(([0-9.]+)\\)(.*)");
    for (std::string line; std::getline(in, line);) {
        std::smatch m;
        if (std::regex_match(line, m, head)) {
            code = m[1];
            out[code].region = m[2].length() > 5 ? m[2].str().substr(5) : "";
        } else if (std::regex_match(line, m, rule)) {
            out[code].rules.push_back(
                {std::stod(m[1]), std::stod(m[2]), std::stod(m[3]), std::stod(m[4]), m[5]});
        }
    }
    return out;
}

/// As a person would read the text: each 20 MHz part in a rule, the rule wide enough or joined on to the
/// next.
std::optional<double> eirp_by_text(const TextCountry& c, double centre, int width) {
    double eirp = 1e9;
    for (double at = centre - width / 2.0; at < centre + width / 2.0; at += 20) {
        const TextRule* under = nullptr;
        for (const TextRule& r : c.rules)
            if (!under && !r.has("NO-OFDM") && r.low <= at + 1e-6 && at + 20 <= r.high + 1e-6) under = &r;
        if (!under) return std::nullopt;
        double widest = under->width;
        if (under->has("AUTO-BW")) {
            double low = under->low, high = under->high;
            for (int pass = 0; pass < 10; ++pass)
                for (const TextRule& r : c.rules)
                    if (r.has("AUTO-BW")) {
                        if (r.high == low) low = r.low;
                        if (r.low == high) high = r.high;
                    }
            widest = std::max(widest, high - low);
        }
        if (width > widest) return std::nullopt;
        eirp = std::min(eirp, under->eirp);
    }
    return eirp;
}

std::vector<int> numbers(const std::vector<ChannelPermit>& permits) {
    std::vector<int> out;
    for (const ChannelPermit& p : permits) out.push_back(p.channel.number);
    return out;
}

}  // namespace

TEST_CASE("ranges, channels and powers are those of the database's text") {
    const auto text = database_text();
    REQUIRE(text.size() >= 10);
    std::size_t compared = 0;
    for (const auto& [code, by_text] : text) {
        INFO(code);
        const CountryRules* c = shipped().database().find(code);
        REQUIRE(c);
        CHECK(dfs_region_name(c->region) == by_text.region);
        REQUIRE(c->ranges.size() == by_text.rules.size());
        for (const TextRule& t : by_text.rules)
            CHECK(std::ranges::any_of(c->ranges, [&](const RegulatoryRange& r) {
                return r.low_mhz == Approx(t.low) && r.high_mhz == Approx(t.high) &&
                       r.max_width_mhz == Approx(t.width) && r.max_eirp_dbm == Approx(t.eirp) &&
                       r.dfs == t.has(" DFS") && r.indoor_only == t.has("NO-OUTDOOR") &&
                       r.no_initiation == t.has("NO-IR") && r.auto_width == t.has("AUTO-BW") &&
                       r.no_ofdm == t.has("NO-OFDM");
            }));
        for (const Band& b : bands())
            for (int width : channel_widths_mhz())
                for (const Channel& channel : channels(b.id, width)) {
                    INFO(channel.number << " / " << width);
                    const auto expected = eirp_by_text(by_text, centre_mhz(channel), width);
                    const auto permit = shipped().in_database(code, channel);
                    REQUIRE(permit.has_value() == expected.has_value());
                    if (permit) CHECK(permit->max_eirp_dbm == Approx(*expected));
                    ++compared;
                }
    }
    CHECK(compared > 1500);
}

TEST_CASE("low power indoor access points keep a density of 5 dBm a MHz and 30 dBm") {
    const auto eirp = [](int number, int width) {
        return shipped().permit("US", {band_6, number, width}, Place::indoors)->max_eirp_dbm;
    };
    CHECK(eirp(37, 20) == Approx(18.01).margin(0.005));
    CHECK(eirp(39, 80) == Approx(24.03).margin(0.005));
    CHECK(eirp(47, 160) == Approx(27.04).margin(0.005));
    CHECK(eirp(63, 320) == Approx(30.0).margin(0.06));  // 5 + 10 log 320 is 30.05
}

TEST_CASE("channels of Europe") {
    const Regulation& r = shipped();
    CHECK(r.permitted("DE", band_6, 20, Place::indoors).size() == 24);
    CHECK(numbers(r.permitted("DE", band_5, 160, Place::indoors)) == std::vector<int>{50, 114});
    CHECK_FALSE(r.permit("DE", {band_5, 144, 20}, Place::indoors));
    CHECK(r.permit("GB", {band_5, 144, 20}, Place::indoors));
    CHECK(numbers(r.permitted("DE", band_24, 20, Place::indoors)).size() == 13);
    CHECK(numbers(r.permitted("US", band_24, 20, Place::indoors)).size() == 11);
}

TEST_CASE("radar is listened for a minute, and ten on the weather radars' channels in Europe") {
    const Regulation& r = shipped();
    int long_80 = 0;
    for (const ChannelPermit& p : r.permitted("DE", band_5, 80, Place::indoors))
        long_80 += p.dfs_wait_s == 600;
    CHECK(long_80 == 1);
    const auto wait = [&](const char* country, int number, int width) {
        return r.permit(country, {band_5, number, width}, Place::indoors)->dfs_wait_s;
    };
    CHECK(wait("DE", 36, 20) == 0);
    CHECK(wait("DE", 52, 20) == 60);
    CHECK(wait("DE", 116, 20) == 60);
    CHECK(wait("DE", 120, 20) == 600);
    CHECK(wait("DE", 118, 40) == 600);
    CHECK(wait("DE", 114, 160) == 600);
    CHECK(wait("US", 120, 20) == 60);
    CHECK(wait("DE", 50, 160) == 60);  // a part is enough
    CHECK(r.permit("DE", {band_5, 120, 20}, Place::indoors)->wait_name == "weather radar");
}

TEST_CASE("outdoors other rules hold") {
    const Regulation& r = shipped();
    CHECK_FALSE(r.permit("DE", {band_5, 36, 20}, Place::outdoors));
    CHECK(r.why_barred("DE", {band_5, 36, 20}, Place::outdoors) == "5170 to 5190 MHz is for indoors only");
    CHECK(r.permit("DE", {band_5, 100, 20}, Place::outdoors));
    // 6 GHz: low power is for indoors, very low power goes anywhere
    CHECK(r.permit("DE", {band_6, 5, 20}, Place::outdoors)->max_eirp_dbm == Approx(14).margin(0.02));
    CHECK_FALSE(r.permit("DE", {band_6, 5, 20}, Place::outdoors, DeviceClass::low_power_indoor));
    CHECK(r.permit("US", {band_6, 5, 20}, Place::outdoors)->max_eirp_dbm == Approx(36));
    CHECK(r.permit("US", {band_6, 5, 20}, Place::outdoors)->elevation == ElevationLimit{30, 21});
    CHECK_FALSE(r.permit("US", {band_6, 5, 20}, Place::indoors)->elevation);
    // between the two ranges of standard power there is none
    CHECK(r.permit("US", {band_6, 97, 20}, Place::indoors));
    CHECK_FALSE(r.permit("US", {band_6, 97, 20}, Place::outdoors, DeviceClass::standard_power));
    CHECK(r.usual_class("US", {band_6, 97, 20}, Place::outdoors) == DeviceClass::very_low_power);
    CHECK(r.usual_class("DE", {band_6, 5, 20}, Place::indoors) == DeviceClass::low_power_indoor);
    CHECK_FALSE(r.usual_class("DE", {band_5, 36, 20}, Place::indoors));
}

TEST_CASE("why a channel is barred") {
    const Regulation& r = shipped();
    CHECK(r.why_barred("DE", {band_6, 97, 20}, Place::indoors) ==
          "6425 to 6445 MHz is not free in this country");
    CHECK(r.why_barred("CN", {band_5, 163, 160}, Place::indoors) ==
          "5735 to 5895 MHz is not free in this country");
    CHECK(r.why_barred("CN", {band_5, 155, 80}, Place::indoors).empty());
    CHECK(r.why_barred("AU", {band_5, 114, 160}, Place::indoors) ==
          "5490 to 5650 MHz is not free in this country");
    CHECK(r.why_barred("DE", {band_6, 5, 20}, Place::indoors, DeviceClass::standard_power) ==
          "5965 to 5985 MHz is not free for standard power devices");
    CHECK(r.why_barred("DE", {band_5, 36, 20}, Place::indoors).empty());
}

TEST_CASE("a country without data permits what the standard knows, and says nothing about it") {
    const Regulation& r = shipped();
    CHECK_FALSE(r.knows("QQ"));
    CHECK(r.permit("QQ", {band_6, 97, 20}, Place::outdoors));
    CHECK(r.why_barred("QQ", {band_6, 97, 20}, Place::outdoors).empty());
    CHECK(r.permitted("QQ", band_5, 160, Place::indoors).size() == channels(band_5, 160).size());
    REQUIRE(r.stretches("QQ", band_5, Place::indoors).size() == 1);
    CHECK_FALSE(r.stretches("QQ", band_5, Place::indoors)[0].barred);
}

TEST_CASE("a band's stretches cover it once, and each says what holds there") {
    for (const char* country : {"DE", "US", "GB", "JP", "CN", "ZA"})
        for (const Band& b : bands())
            for (Place place : {Place::indoors, Place::outdoors}) {
                INFO(country << " " << b.name);
                double at = b.low_mhz;
                for (const BandStretch& s : shipped().stretches(country, b.id, place)) {
                    CHECK(s.low_mhz == Approx(at));
                    CHECK(s.high_mhz > s.low_mhz);
                    at = s.high_mhz;
                }
                CHECK(at == Approx(b.high_mhz));
                // a channel is permitted exactly where no stretch under it is barred, its width aside
                for (const Channel& c : channels(b.id, 20)) {
                    bool barred = false;
                    for (const BandStretch& s : shipped().stretches(country, b.id, place))
                        barred |=
                            s.barred && low_mhz(c) < s.high_mhz - 1e-6 && high_mhz(c) > s.low_mhz + 1e-6;
                    INFO(c.number);
                    if (shipped().permit(country, c, place)) CHECK_FALSE(barred);
                }
            }
    const auto de = shipped().stretches("DE", band_5, Place::indoors);
    CHECK(std::ranges::any_of(
        de, [](const BandStretch& s) { return s.wait_name == "weather radar" && s.low_mhz == 5600; }));
}

TEST_CASE("preferred scanning channels") {
    int count = 0;
    for (const Channel& c : channels(band_6, 20)) count += is_preferred_scanning(c.number);
    CHECK(count == 15);
    CHECK(is_preferred_scanning(5));
    CHECK(is_preferred_scanning(229));
    CHECK_FALSE(is_preferred_scanning(1));
    CHECK_FALSE(is_preferred_scanning(233));
}

TEST_CASE("a broken database is refused with its place, at whichever byte it ends") {
    const std::vector<std::byte> whole = shipped_file("regulatory.db");
    CHECK_THROWS_AS(RegulatoryDatabase::read({}), Error);
    std::vector<std::byte> other = whole;
    other[0] = std::byte{'x'};
    CHECK_THROWS_WITH(RegulatoryDatabase::read(other), Catch::Contains("does not begin as one does"));
    other[0] = whole[0];
    other[7] = std::byte{21};
    CHECK_THROWS_WITH(RegulatoryDatabase::read(other), Catch::Contains("version 21"));
    int refused = 0;
    for (std::size_t length = 0; length < whole.size(); length += 7) try {
            RegulatoryDatabase::read(std::span(whole).first(length));
        } catch (const Error&) {
            ++refused;
        }
    CHECK(refused > 800);
    CHECK_THROWS_AS(read_own_limits(std::as_bytes(std::span("{\"waits\": 3}", 12))), Error);
}
