#include "wireless/channel.h"

#include <set>

#include "core/support.h"

using namespace yemvo;

static nlohmann::json table() {
    return nlohmann::json::parse(std::ifstream(std::string(TEST_DATA) + "/channels.json"));
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
