// SPDX-License-Identifier: GPL-3.0-or-later
// Captures written by other programs: tests/data/air/make_air.py (scapy), and one made by hand.
#include "capture/capture.h"

#include <fstream>
#include <nlohmann/json.hpp>

#include "test_data.h"

using namespace yemvo;

namespace {

std::string air_file(const char* name) { return test::test_data() + "/air/" + name; }

const HeardNetwork& with(const HeardAir& air, const std::string& bssid) {
    for (const HeardNetwork& n : air.networks)
        if (address_text(n.bssid) == bssid) return n;
    throw std::runtime_error(bssid);
}

bool warns(const HeardAir& air, const char* words) {
    for (const Said& w : air.warnings)
        if (w.english().find(words) != std::string::npos) return true;
    return false;
}

std::string fault_of(const std::string& file) {
    try {
        read_capture(file);
    } catch (const Error& e) {
        return e.what();
    }
    return "";
}

}  // namespace

TEST_CASE("networks are read as the program that wrote the capture meant them") {
    const auto expected = nlohmann::json::parse(std::ifstream(air_file("pier.json")));
    for (const char* name : {"pier.pcap", "pier.pcapng"}) {
        INFO(name);
        const HeardAir air = read_capture(air_file(name));
        REQUIRE(air.networks.size() == expected.size());
        for (const auto& e : expected) {
            const HeardNetwork& n = with(air, e["bssid"]);
            INFO(address_text(n.bssid));
            CHECK(n.ssid == e["ssid"].get<std::string>());
            CHECK(n.hidden == e["hidden"].get<bool>());
            CHECK(band(n.band).reference_mhz / 1000 == Approx(e["band_ghz"].get<double>()).margin(0.6));
            CHECK(n.primary == e["primary"].get<int>());
            CHECK(n.channel.width_mhz == e["width_mhz"].get<int>());
            CHECK(centre_mhz(n.channel) == Approx(e["centre_mhz"].get<double>()));
            CHECK(n.standard == e["standard"].get<std::string>());
            CHECK(n.signal_dbm.has_value() == !e["signal_dbm"].is_null());
            if (n.signal_dbm) CHECK(*n.signal_dbm == Approx(e["signal_dbm"].get<double>()).margin(1));
            if (!e["utilisation"].is_null())
                CHECK(n.utilisation.value() == Approx(e["utilisation"].get<double>()).margin(0.005));
            if (!e["stations"].is_null()) CHECK(n.stations == e["stations"].get<int>());
        }
        CHECK(warns(air, "1 frame has no signal level"));
    }
}

TEST_CASE("what was captured by hand reads as it should") {
    const HeardAir air = read_capture(air_file("beacons.pcap"));
    const auto expected = nlohmann::json::parse(std::ifstream(air_file("beacons.json")));
    REQUIRE(air.networks.size() == expected.size());
    for (const auto& e : expected) {
        const HeardNetwork& n = with(air, e["bssid"]);
        CHECK(n.ssid == e["ssid"].get<std::string>());
        CHECK(n.primary == e["primary"].get<int>());
        CHECK(n.channel.width_mhz == e["width"].get<int>());
        CHECK(centre_mhz(n.channel) == Approx(e["center"].get<double>()));
        REQUIRE(n.signal_dbm);
        if (e.contains("signal")) CHECK(*n.signal_dbm == Approx(e["signal"].get<double>()));
        if (e.contains("stations")) CHECK(n.stations == e["stations"].get<int>());
        if (e.contains("streams")) CHECK(n.streams == e["streams"].get<int>());
        if (e.contains("util"))
            CHECK(n.utilisation.value() == Approx(std::stod(e["util"].get<std::string>())).margin(0.001));
        if (e.contains("tpc")) CHECK(n.transmit_dbm == e["tpc"].get<int>());
    }
    CHECK(with(air, "02:00:00:00:00:04").hidden);
    CHECK(with(air, "02:00:00:00:00:01").country == "DE");
}

TEST_CASE("several names of one radio are one radio") {
    const HeardAir air = read_capture(air_file("pier.pcap"));
    CHECK(with(air, "02:1e:5a:07:10:24").group == with(air, "02:1e:5a:07:10:25").group);
    // its radios in other bands are radios of their own
    CHECK(with(air, "02:1e:5a:07:10:24").group != with(air, "02:1e:5a:07:10:26").group);
    CHECK(air.radios.size() == air.networks.size() - 1);
}

TEST_CASE("clients tell what they can do, and channels how often frames are sent again") {
    const HeardAir air = read_capture(air_file("pier.pcap"));
    REQUIRE(air.clients.size() == 2);
    const HeardClient& asks = air.clients[0];
    CHECK(asks.can.refuses_40);
    CHECK(asks.can.streams == 1);
    CHECK(asks.asked_24);
    CHECK(asks.asked_5);
    CHECK(std::string(asks.can.standard()) == "n");
    const HeardClient& joins = air.clients[1];
    CHECK(std::string(joins.can.standard()) == "ax");
    CHECK(joins.can.widest_5_mhz == 80);
    CHECK(joins.can.streams == 2);
    CHECK(address_text(joins.bssid) == "02:1e:5a:07:10:26");
    for (const HeardChannel& c : air.channels)
        if (c.channel == Channel{band_24, 1, 20}) {
            CHECK(c.data == 10);
            CHECK(c.retries() == Approx(0.3));
        }
    CHECK(with(air, "02:1e:5a:07:10:24").data == 10);
    CHECK(with(air, "02:1e:5a:07:10:24").again == 3);
}

TEST_CASE("a capture that is cut off gives what comes before, and says so") {
    const HeardAir air = read_capture(air_file("cut.pcap"));
    CHECK(warns(air, "ends in the middle of a frame"));
    CHECK(air.networks.size() == 10);
}

TEST_CASE("what is no capture of the air is refused with its reason") {
    CHECK(fault_of(air_file("wired.pcap")).find("EN10MB, not of 802.11") != std::string::npos);
    CHECK(fault_of(air_file("pier.json")).find("is no capture that can be read") != std::string::npos);
    CHECK(fault_of(air_file("nowhere.pcap")).find("there is no such file") != std::string::npos);
    CHECK(fault_of(test::test_data()).find("is a folder") != std::string::npos);
    const test::TemporaryFolder folder;
    const std::string empty = (folder / "empty.pcap").string();
    std::ofstream(empty).close();
    CHECK(fault_of(empty).find("is empty") != std::string::npos);
    const CancelToken stopped;
    stopped.cancel();
    CHECK_THROWS_AS(read_capture(air_file("pier.pcap"), stopped), Cancelled);
}

TEST_CASE("frames that end anywhere are read as far as they go") {
    // a radiotap header without fields, then a beacon with a name and a load element
    std::vector<std::uint8_t> frame{0,   0,   8, 0, 0, 0, 0, 0, 0x80, 0, 0, 0, 255, 255, 255, 255,
                                    255, 255, 2, 0, 0, 0, 0, 9, 2,    0, 0, 0, 0,   9,   0,   0};
    frame.resize(frame.size() + 8);
    for (int b :
         std::initializer_list<int>{100, 0, 1, 0, 0, 3, 'a', 'b', 'c', 3, 1, 6, 11, 5, 7, 0, 128, 0, 0})
        frame.push_back(static_cast<std::uint8_t>(b));
    FrameFault fault{};
    const auto whole = read_frame(link_radiotap, frame, fault);
    REQUIRE(whole);
    CHECK(whole->elements.ssid == "abc");
    CHECK(whole->elements.stations == 7);
    CHECK(whole->elements.utilisation.value() == Approx(128 / 255.0));
    CHECK(operating_channel(whole->elements, 0)->primary == 6);
    CHECK(whole->interval_tu == 100);
    for (std::size_t length = 0; length < frame.size(); ++length) {
        const auto part = read_frame(link_radiotap, FrameBytes(frame).first(length), fault);
        CHECK(part.has_value() == (fault == FrameFault::none));
        if (part && part->kind == FrameKind::beacon && part->elements.stations) CHECK(length == frame.size());
    }
    CHECK_FALSE(read_frame(1, frame, fault));
    CHECK(fault == FrameFault::other_link);
}
