// SPDX-License-Identifier: GPL-3.0-or-later
// A capture against good practice: each rule fails where it should, and holds where nothing is wrong.
#include "capture/air_audit.h"

#include <algorithm>

#include "test_data.h"

using namespace yemvo;

namespace {

HeardNetwork network(std::uint64_t bssid, BandId band, int centre, int width, int primary, double dbm) {
    HeardNetwork n;
    n.bssid = bssid;
    n.ssid = "n" + std::to_string(bssid);
    n.band = band;
    n.channel = {band, centre, width};
    n.primary = primary;
    n.signal_dbm = dbm;
    n.lowest_mbps = 12;
    return n;
}

HeardAir air_of(std::vector<HeardNetwork> networks) {
    HeardAir air;
    for (std::size_t i = 0; i < networks.size(); ++i) {
        networks[i].group = i;
        air.radios.push_back({{i}});
    }
    air.networks = std::move(networks);
    return air;
}

AuditLine line(const HeardAir& air, std::string_view key, const std::string& country = "DE") {
    for (AuditLine& l : audit(air, country))
        if (l.key == key) return l;
    throw std::runtime_error(std::string(key));
}

const HeardAir& good() {
    static const HeardAir air = [] {
        HeardAir a = air_of({network(1, band_24, 1, 20, 1, -50), network(2, band_24, 6, 20, 6, -60),
                             network(3, band_5, 38, 40, 36, -55), network(4, band_6, 39, 80, 37, -60)});
        for (HeardNetwork& n : a.networks) {
            n.utilisation = 0.2;
            n.data = 100;
            n.again = 5;
        }
        return a;
    }();
    return air;
}

}  // namespace

TEST_CASE("a quiet place on good channels holds every rule") {
    for (const AuditLine& l : audit(good(), "DE")) {
        INFO(l.key << ": " << l.what);
        CHECK(l.outcome == AuditOutcome::holds);
        CHECK_FALSE(l.what.empty());
        CHECK_FALSE(l.limit.empty());
    }
    CHECK(audit(good(), "DE").size() == 11);
    // a country without data: its two rules are not asked
    CHECK(audit(good(), "QQ").size() == 9);
}

TEST_CASE("each rule fails with the networks that it is about") {
    const auto with = [](auto change) {
        HeardAir air = good();
        change(air.networks);
        return air;
    };
    using Networks = std::vector<HeardNetwork>;
    const auto fails = [](const HeardAir& air, const char* key, std::size_t which, const char* words,
                          const char* country = "DE") {
        const AuditLine l = line(air, key, country);
        INFO(l.what);
        CHECK(l.outcome == AuditOutcome::fails);
        REQUIRE_FALSE(l.networks.empty());
        CHECK(l.networks.front() == which);
        CHECK_THAT(l.what.english(), Catch::Contains(words));
    };
    fails(with([](Networks& n) {
              n[1].channel = {band_24, 8, 40};
          }),
          "wide-24", 1, "n2: takes two of the three");
    fails(with([](Networks& n) {
              n[1].channel = {band_24, 3, 20}, n[1].primary = 3;
          }),
          "odd-24", 1, "n2: lies across");
    fails(with([](Networks& n) { n[2].utilisation = 0.58; }), "channel-full", 2,
          "n3 hears 58 % in use on channel 36");
    fails(with([](Networks& n) { n[0].again = 31; }), "retries", 0, "n1: 31 % of its frames");
    fails(with([](Networks& n) {
              n[2].channel = {band_5, 114, 160}, n[2].primary = 116;
          }),
          "long-radar-wait", 2, "ten minutes");
    fails(with([](Networks& n) {
              n[2].channel = {band_5, 144, 20}, n[2].primary = 144;
          }),
          "channel-barred", 2, "is not free in this country");
    fails(with([](Networks& n) { n[1].lowest_mbps = 1; }), "slow-lowest-rate", 1, "go down to 1.0 Mbit/s");
    fails(with([](Networks& n) { n[3].primary = 33; }), "not-scanned", 3, "do not look there");
    fails(with([](Networks& n) {
              n[0].more_ssids = {"a", "b", "c", "d"};
          }),
          "many-networks", 0, "n1 has 5 names");
    HeardAir slow = air_of({});
    for (std::uint64_t k = 0; k < 5; ++k) {
        slow.networks.push_back(network(k + 1, band_24, 1, 20, 1, -60));
        slow.networks.back().lowest_mbps = 1;
        slow.radios.push_back({{k}});
    }
    fails(slow, "beacons", 0, "of the air on channel 1 at 2.4 GHz");
    HeardAir crowd = air_of({network(1, band_5, 42, 80, 36, -50), network(2, band_5, 36, 20, 36, -60),
                             network(3, band_5, 44, 20, 44, -70), network(4, band_5, 46, 40, 44, -80)});
    fails(crowd, "width", 0, "3 other radios are heard on its 80 MHz");
    CHECK(sharing_air(crowd, 1).size() == 1);
    crowd.networks[1].signal_dbm = -90;
    CHECK(line(crowd, "width").outcome == AuditOutcome::near);
}

TEST_CASE("what a capture does not tell is not said to hold") {
    const HeardAir nothing = air_of({});
    for (const AuditLine& l : audit(nothing, "DE"))
        if (l.key != "width" && l.key != "channel-barred") CHECK(l.outcome == AuditOutcome::untold);
    HeardAir few = good();
    for (HeardNetwork& n : few.networks) n.data = 3;
    CHECK(line(few, "retries").outcome == AuditOutcome::untold);
}

TEST_CASE("the written capture fails where it was made to") {
    const HeardAir air = read_capture(test::test_data() + "/air/pier.pcap");
    std::vector<std::string> failed;
    for (const AuditLine& l : audit(air, "GB"))
        if (l.outcome == AuditOutcome::fails) failed.emplace_back(l.key);
    for (const char* key : {"wide-24", "odd-24", "retries", "long-radar-wait", "slow-lowest-rate"})
        CHECK(std::ranges::count(failed, key) == 1);
}
