// SPDX-License-Identifier: GPL-3.0-or-later
#include "capture/capture.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>
#include <set>

namespace yemvo {
namespace {

/// A capture of a busy hour has thousands; more are a mistake or an attack.
constexpr std::size_t most_networks = 20'000, most_clients = 50'000, most_levels = 400;

struct KeptNetwork {
    HeardNetwork network;
    std::vector<double> levels;  ///< as they come, until there are enough
    double use_sum = 0;
    std::size_t uses = 0;
    std::set<std::uint64_t> stations;
    bool from_beacon = false, placed = false;
};

struct KeptClient {
    HeardClient client;
    std::vector<double> levels;
};

double median(std::vector<double> v) {
    const auto middle = v.begin() + static_cast<std::ptrdiff_t>(v.size() / 2);
    std::ranges::nth_element(v, middle);
    return *middle;
}

void note_level(std::vector<double>& levels, const std::optional<double>& dbm) {
    if (dbm && levels.size() < most_levels) levels.push_back(*dbm);
}

bool is_group_address(std::uint64_t address) { return address >> 40 & 1; }

/// First five bytes alike, but for the bit that says that an address is made up locally, and the last ones
/// close.
bool addresses_close(std::uint64_t a, std::uint64_t b) {
    constexpr std::uint64_t local_bit = std::uint64_t{2} << 40;
    const std::uint64_t one = a & ~local_bit, other = b & ~local_bit;
    return one >> 8 == other >> 8 &&
           std::abs(static_cast<int>(one & 255) - static_cast<int>(other & 255)) <= 15;
}

void group_radios(HeardAir& air) {
    std::vector<std::size_t> order(air.networks.size());
    for (std::size_t i = 0; i < order.size(); ++i) order[i] = i;
    std::ranges::stable_sort(order, std::greater{},
                             [&](std::size_t i) { return air.networks[i].signal_dbm.value_or(-200); });
    for (std::size_t i : order) {
        HeardNetwork& n = air.networks[i];
        const auto same = [&](const HeardDevice& d) {
            const HeardNetwork& first = air.networks[d.networks.front()];
            return first.channel == n.channel && first.primary == n.primary &&
                   addresses_close(first.bssid, n.bssid) &&
                   std::abs(first.signal_dbm.value_or(-200) - n.signal_dbm.value_or(-200)) <= 3;
        };
        auto at = std::ranges::find_if(air.radios, same);
        if (at == air.radios.end()) at = air.radios.insert(air.radios.end(), HeardDevice{});
        n.group = static_cast<std::size_t>(at - air.radios.begin());
        at->networks.push_back(i);
    }
}

}  // namespace

std::optional<double> HeardNetwork::retries() const {
    constexpr std::size_t least_frames = 10;
    if (data < least_frames) return std::nullopt;
    return static_cast<double>(again) / static_cast<double>(data);
}

struct AirListener::Kept {
    std::map<std::uint64_t, KeptNetwork> networks;
    std::map<std::uint64_t, KeptClient> clients;
    std::map<Channel, HeardChannel> channels;
    std::size_t frames = 0, without_level = 0, bad_checksum = 0, short_header = 0, not_80211 = 0,
                other_link = 0, cut_elements = 0, nowhere = 0;
    double first_s = 0, last_s = 0;
    bool cut_off = false, too_many = false;

    void network(const HeardFrame&);
    void client(const HeardFrame&);
    void traffic(const HeardFrame&);
};

AirListener::AirListener() : kept_(std::make_unique<Kept>()) {}
AirListener::~AirListener() = default;
void AirListener::note_cut_off() { kept_->cut_off = true; }

void AirListener::Kept::network(const HeardFrame& f) {
    if (is_group_address(f.bssid)) return;
    if (!networks.contains(f.bssid) && networks.size() >= most_networks) {
        too_many = true;
        return;
    }
    const auto where = operating_channel(f.elements, f.mhz);
    KeptNetwork& kept = networks[f.bssid];
    HeardNetwork& n = kept.network;
    n.bssid = f.bssid;
    ++n.frames;
    // an answer tells the name that beacons hide
    if (f.elements.ssid && !f.elements.hidden && n.ssid.empty()) n.ssid = *f.elements.ssid;
    if (f.kind == FrameKind::beacon && f.elements.ssid)
        n.hidden = f.elements.hidden;
    else if (!kept.from_beacon)
        n.hidden = f.elements.hidden;
    kept.from_beacon = kept.from_beacon || f.kind == FrameKind::beacon;
    note_level(kept.levels, f.signal_dbm);
    if (f.signal_dbm) n.strongest_dbm = std::max(n.strongest_dbm.value_or(-200), *f.signal_dbm);
    if (where) {
        kept.placed = true;
        n.band = where->channel.band;
        n.channel = where->channel;
        n.primary = where->primary;
    }
    if (f.elements.cut) ++cut_elements;
    n.standard = f.elements.can.standard();
    n.streams = std::max(n.streams, f.elements.can.streams);
    n.privacy = f.privacy;
    if (f.interval_tu > 0) n.interval_tu = f.interval_tu;
    if (f.elements.lowest_basic_mbps > 0) n.lowest_mbps = f.elements.lowest_basic_mbps;
    if (!f.elements.country.empty()) n.country = f.elements.country;
    if (f.elements.transmit_dbm) n.transmit_dbm = f.elements.transmit_dbm;
    if (f.elements.stations) n.stations = std::max(n.stations.value_or(0), *f.elements.stations);
    if (f.elements.utilisation) {
        kept.use_sum += *f.elements.utilisation;
        ++kept.uses;
    }
    for (const std::string& name : f.elements.more_ssids)
        if (std::ranges::count(n.more_ssids, name) == 0 && n.more_ssids.size() < 64)
            n.more_ssids.push_back(name);
}

void AirListener::Kept::client(const HeardFrame& f) {
    if (is_group_address(f.transmitter)) return;
    if (!clients.contains(f.transmitter) && clients.size() >= most_clients) {
        too_many = true;
        return;
    }
    KeptClient& kept = clients[f.transmitter];
    HeardClient& c = kept.client;
    c.address = f.transmitter;
    note_level(kept.levels, f.signal_dbm);
    const Abilities& can = f.elements.can;
    // asked in one band it may say less than it can: the most of all counts
    c.can.ht |= can.ht;
    c.can.vht |= can.vht;
    c.can.he |= can.he;
    c.can.eht |= can.eht;
    c.can.streams = std::max(c.can.streams, can.streams);
    c.can.widest_24_mhz = std::max(c.can.widest_24_mhz, can.widest_24_mhz);
    c.can.widest_5_mhz = std::max(c.can.widest_5_mhz, can.widest_5_mhz);
    c.can.refuses_40 |= can.refuses_40;
    if (const auto tuned = channel_on(f.mhz)) {
        c.asked_24 |= tuned->band == band_24;
        c.asked_5 |= tuned->band == band_5;
        c.asked_6 |= tuned->band == band_6;
    }
    if (f.kind == FrameKind::association_request) c.bssid = f.bssid;
}

void AirListener::Kept::traffic(const HeardFrame& f) {
    const auto at = networks.find(f.bssid);
    if (at == networks.end()) return;
    HeardNetwork& n = at->second.network;
    ++n.data;
    n.again += f.again;
    const std::uint64_t station = f.to_network && !f.from_network ? f.transmitter : f.receiver;
    if (f.to_network != f.from_network && !is_group_address(station) && at->second.stations.size() < 10'000)
        at->second.stations.insert(station);
}

void AirListener::hear(int link_type, FrameBytes bytes, double at_s) {
    Kept& k = *kept_;
    if (k.frames == 0) k.first_s = at_s;
    k.last_s = std::max(k.last_s, at_s);
    ++k.frames;
    FrameFault fault{};
    const auto f = read_frame(link_type, bytes, fault);
    switch (fault) {
        case FrameFault::other_link:
            ++k.other_link;
            break;
        case FrameFault::short_header:
            ++k.short_header;
            break;
        case FrameFault::bad_checksum:
            ++k.bad_checksum;
            break;
        case FrameFault::not_80211:
            ++k.not_80211;
            break;
        case FrameFault::none:
            break;
    }
    if (!f) return;
    if (!f->signal_dbm) ++k.without_level;
    if (const auto tuned = channel_on(f->mhz)) {
        HeardChannel& c = k.channels[*tuned];
        c.channel = *tuned;
        ++c.frames;
        if (f->kind == FrameKind::data) {
            ++c.data;
            c.again += f->again;
        }
    }
    switch (f->kind) {
        case FrameKind::beacon:
        case FrameKind::probe_response:
            return k.network(*f);
        case FrameKind::probe_request:
        case FrameKind::association_request:
            return k.client(*f);
        case FrameKind::data:
            return k.traffic(*f);
        case FrameKind::other:
            return;
    }
}

HeardAir AirListener::result() const {
    const Kept& k = *kept_;
    HeardAir air;
    air.frames = k.frames;
    air.without_level = k.without_level;
    air.begins_s = k.first_s;
    air.lasts_s = k.frames > 0 ? k.last_s - k.first_s : 0;
    std::size_t nowhere = 0;
    for (const auto& [bssid, kept] : k.networks) {
        if (!kept.placed) {
            ++nowhere;
            continue;
        }
        HeardNetwork n = kept.network;
        if (!kept.levels.empty()) n.signal_dbm = median(kept.levels);
        if (kept.uses > 0) n.utilisation = kept.use_sum / static_cast<double>(kept.uses);
        if (!n.stations && !kept.stations.empty()) n.stations = static_cast<int>(kept.stations.size());
        air.networks.push_back(std::move(n));
    }
    std::ranges::stable_sort(air.networks, {},
                             [](const HeardNetwork& n) { return std::tuple(n.band, n.primary, n.bssid); });
    for (const auto& [address, kept] : k.clients) {
        if (k.networks.contains(address)) continue;  // an access point that looks round
        HeardClient c = kept.client;
        if (!kept.levels.empty()) c.signal_dbm = median(kept.levels);
        air.clients.push_back(std::move(c));
    }
    for (const auto& [channel, c] : k.channels) air.channels.push_back(c);
    group_radios(air);
    const auto warn = [&](std::size_t count, Said words) {
        if (count > 0) air.warnings.push_back(std::move(words));
    };
    warn(k.cut_off, say("the file ends in the middle of a frame: what comes before it was read"));
    warn(k.without_level,
         say_counted("%n frame has no signal level", "%n frames have no signal level", k.without_level));
    warn(k.bad_checksum,
         say_counted("%n frame was damaged on the air", "%n frames were damaged on the air", k.bad_checksum));
    warn(k.short_header + k.not_80211,
         say_counted("%n frame could not be read", "%n frames could not be read",
                     k.short_header + k.not_80211));
    warn(k.other_link,
         say_counted("%n frame is of another link", "%n frames are of another link", k.other_link));
    warn(nowhere, say_counted("%n network is on no channel that there is, and was left out",
                              "%n networks are on no channel that there is, and were left out", nowhere));
    warn(k.cut_elements,
         say_counted("%n frame ends within an element", "%n frames end within an element", k.cut_elements));
    warn(k.too_many, say("there are more networks or clients than can be kept: the first ones were"));
    return air;
}

}  // namespace yemvo
