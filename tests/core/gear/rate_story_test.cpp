// SPDX-License-Identifier: GPL-3.0-or-later
// Which end of a link decides its rate. The rates are those of the standard: 802.11ax, table of HE-MCSs.
#include "gear/rate_story.h"

#include "core/support.h"

using namespace yemvo;

namespace {

const Channel channel_80{band_5, 42, 80};

ClientProfile client_of(const char* standard, int streams, int widest_5_mhz) {
    ClientProfile c;
    c.standard = standard;
    c.streams = streams;
    c.widest_mhz = {{band_24, 20}, {band_5, widest_5_mhz}};
    return c;
}

std::string all_of(const RateStory& s) {
    std::string words;
    for (const Said& why : s.because) words += why.english() + "; ";
    return words;
}

}  // namespace

TEST_CASE("the older standard, the narrower end and the fewer streams decide") {
    const RadioAbility radio{Standard::be, band_5, 4};
    const RateStory s = rate_story(radio, channel_80, 80, client_of("ax", 2, 160), -30, 7);
    CHECK(s.mbps == Approx(1201.0).margin(0.2));  // HE-MCS 11, two streams, 80 MHz, 0.8 us
    CHECK(s.form == "MCS 11, 2 streams, 80 MHz, 802.11ax");
    CHECK_THAT(all_of(s), Catch::Contains("802.11ax: the client knows nothing newer") &&
                              Catch::Contains("80 MHz: the radio's channel; the client could use 160 MHz") &&
                              Catch::Contains("2 streams: the client's; the radio has 4") &&
                              Catch::Contains("there is no higher rate"));
    const RateStory narrow = rate_story(radio, channel_80, 80, client_of("be", 8, 20), -30, 7);
    CHECK_THAT(all_of(narrow),
               Catch::Contains("802.11be: both know it") &&
                   Catch::Contains("20 MHz: the client's widest in this band; the radio works with 80 MHz") &&
                   Catch::Contains("4 streams: the radio's; the client has 8"));
}

TEST_CASE("a weak signal, and not an end, decides where more would hold no higher rate") {
    const RadioAbility radio{Standard::ax, band_5, 2};
    const RateStory s = rate_story(radio, channel_80, 80, client_of("ax", 2, 80), -84, 7);
    REQUIRE(s.mbps > 0);
    CHECK_THAT(all_of(s), Catch::Contains("higher rate at this level") && Catch::Contains("the next, "));
    const RateStory none = rate_story(radio, channel_80, 80, client_of("ax", 2, 80), -110, 7);
    CHECK(none.mbps == 0);
    CHECK_THAT(all_of(none), Catch::Contains("the lowest rate, ") && Catch::Contains("dBm only"));
}

TEST_CASE("a radio that has fallen back says so, and what is not common is named") {
    const RadioAbility radio{Standard::n, band_24, 2};
    const Channel wide{band_24, 3, 40};
    ClientProfile laptop = client_of("ax", 2, 80);
    laptop.widest_mhz[0].second = 40;
    CHECK_THAT(all_of(rate_story(radio, wide, 20, laptop, -40, 7)),
               Catch::Contains("20 MHz: the radio has fallen back from 40 MHz") &&
                   Catch::Contains("802.11n: the radio knows nothing newer"));
    CHECK_THAT(
        all_of(rate_story({Standard::ac, band_24, 2}, {band_24, 1, 20}, 20, client_of("ac", 1, 80), -40, 7)),
        Catch::Contains("802.11n: what both know is not made for 2.4 GHz"));
    CHECK_THAT(all_of(rate_story({Standard::ax, band_6, 2}, {band_6, 7, 80}, 80, laptop, -40, 7)),
               Catch::Contains("the client does not know 6 GHz"));
    ClientProfile old = client_of("ac", 2, 80);
    old.widest_mhz.emplace_back(band_6, 80);
    CHECK_THAT(all_of(rate_story({Standard::ax, band_6, 2}, {band_6, 7, 80}, 80, old, -40, 7)),
               Catch::Contains("both have no standard for 6 GHz in common"));
}
