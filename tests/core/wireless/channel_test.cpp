// SPDX-License-Identifier: GPL-3.0-or-later
#include "wireless/channel.h"

#include <set>

#include "core/support.h"
#include "wireless/spectrum.h"

using namespace yemvo;

static nlohmann::json table() {
    return nlohmann::json::parse(std::ifstream(yemvo::test::test_data() + "/channels.json"));
}

TEST_CASE("every channel of the table exists, with its centre and its 20 MHz members, and no other does") {
    std::map<std::pair<std::string, int>, std::size_t> counts;
    for (const auto& row : table()) {
        const Channel c{*find_band(row["band"].get<std::string>()), row["channel"], row["width_mhz"]};
        INFO(row.dump());
        REQUIRE(is_valid(c));
        CHECK(centre_mhz(c) == row["center_mhz"].get<double>());
        CHECK(primaries(c) == row["members20"].get<std::vector<int>>());
        ++counts[{row["band"], row["width_mhz"]}];
    }
    for (const Band& b : bands())
        for (int width : channel_widths_mhz()) CHECK(channels(b.id, width).size() == counts[{b.name, width}]);
}

TEST_CASE("centres and counts agree with independently computed ones") {
    CHECK(static_cast<double>(channels(band_6, 20).size()) == test::check_value("h.1"));
    CHECK(static_cast<double>(channels(band_6, 320).size()) == test::check_value("h.5"));
    CHECK(centre_mhz({band_6, 191, 320}) == test::check_value("h.9"));
    CHECK(centre_mhz({band_5, 155, 80}) == test::check_value("h.10"));
    CHECK(centre_mhz({band_24, 14, 20}) == 2484);
    CHECK(centre_mhz({band_6, 2, 20}) == 5935);
}

TEST_CASE("a channel that the band does not have is refused by name") {
    CHECK_FALSE(is_valid({band_5, 38, 20}));
    CHECK_THROWS_AS(centre_mhz({band_5, 37, 20}), InvalidChannel);
    CHECK_THROWS_WITH(primaries({band_24, 1, 80}), Catch::Contains("2.4 GHz") && Catch::Contains("80 MHz"));
    CHECK(channels(band_24, 80).empty());
}

TEST_CASE("a primary can lie in two 320 MHz channels and in one 160 MHz channel") {
    CHECK(channels_around(band_6, 37, 320).size() == 2);
    CHECK(channels_around(band_6, 37, 160).size() == 1);
    CHECK(channels_around(band_5, 165, 40) == std::vector<Channel>{{band_5, 167, 40}});
    CHECK(channels_around(band_24, 14, 40).empty());
}

TEST_CASE("6 GHz has as many channels of each width as were counted independently") {
    const std::pair<int, const char*> counted[] = {{40, "h.2"}, {80, "h.3"}, {160, "h.4"}};
    for (const auto& [width, check] : counted)
        CHECK(static_cast<double>(channels(band_6, width).size()) == test::check_value(check));
    const auto narrow = channels(band_6, 20);
    CHECK(static_cast<double>(std::ranges::count_if(narrow, [](const Channel& c) {
              return centre_mhz(c) - 10 >= 5945 && centre_mhz(c) + 10 <= 6425;
          })) == test::check_value("h.7"));
}

TEST_CASE("a channel takes in all of itself, most of what lies inside it, and nothing of another band") {
    for (const Band& b : bands())
        for (int width : channel_widths_mhz())
            for (const Channel& c : channels(b.id, width)) CHECK(overlap(c, c) == Approx(1));
    // a wide channel takes in a narrow one inside it whole, a narrow one its share of a wide one
    CHECK(overlap({band_5, 36, 20}, {band_5, 42, 80}) == Approx(1).margin(0.05));
    CHECK(overlap({band_5, 42, 80}, {band_5, 36, 20}) == Approx(0.25).margin(0.03));
    CHECK(overlap({band_5, 36, 20}, {band_5, 149, 20}) < 1e-3);
    CHECK(overlap({band_24, 1, 20}, {band_5, 36, 20}) == 0);
}

TEST_CASE("at 2.4 GHz channels share less the farther they are apart, either way alike") {
    double last = 1.0001;
    for (int away = 0; away <= 8; ++away) {
        const Channel one{band_24, 1, 20}, other{band_24, 1 + away, 20};
        const double share = overlap(one, other);
        CHECK(share < last);
        CHECK(share == Approx(overlap(other, one)).margin(1e-9));
        last = share;
    }
    CHECK(overlap({band_24, 1, 20}, {band_24, 6, 20}) < 0.01);
    CHECK(overlap({band_24, 1, 20}, {band_24, 3, 20}) > 0.3);
}

TEST_CASE(
    "channels round a primary hold it, in rising order, and a channel is written as its primary and width") {
    for (const Band& b : bands())
        for (const Channel& narrow : channels(b.id, 20))
            for (int width : channel_widths_mhz()) {
                const auto around = channels_around(b.id, narrow.number, width);
                CHECK(std::ranges::is_sorted(around));
                for (const Channel& c : around) {
                    CHECK(c.width_mhz == width);
                    CHECK(std::ranges::count(primaries(c), narrow.number) == 1);
                }
            }
    CHECK(channel_text(44, 40) == "44 / 40 MHz");
}
