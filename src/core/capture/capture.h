// SPDX-License-Identifier: GPL-3.0-or-later
// A packet capture of the air: which networks are there, on which channels, and what clients can do.
#pragma once
#include <filesystem>
#include <functional>
#include <memory>
#include <string>
#include <vector>

#include "base/progress.h"
#include "capture/frames.h"

namespace yemvo {

/// One name on the air, by its BSSID.
struct HeardNetwork {
    std::uint64_t bssid = 0;
    std::string ssid;  ///< as its bytes stand; empty: hidden
    bool hidden = false;
    BandId band = band_24;
    Channel channel;
    int primary = 0;
    std::optional<double> signal_dbm;  ///< median of its beacons and answers
    std::optional<double> strongest_dbm;
    std::optional<int> stations;        ///< as it tells, else those seen to send to it
    std::optional<double> utilisation;  ///< as it tells [0, 1], the mean
    std::string standard;               ///< "ax"
    std::string country;
    int streams = 1;
    double lowest_mbps = 0;  ///< lowest basic rate; 0: not told
    bool privacy = false;
    int interval_tu = 0;
    std::optional<int> transmit_dbm;
    std::size_t frames = 0;               ///< beacons and answers
    std::size_t data = 0, again = 0;      ///< frames of it and to it, and how many of them were retries
    std::size_t group = 0;                ///< of the same radio: index into HeardAir::radios
    std::vector<std::string> more_ssids;  ///< told in the same beacon
    /// Share of its data frames that were sent again; none where too few were heard to tell.
    std::optional<double> retries() const;
};

/// Networks that one radio seems to send: their addresses and levels lie close, on one channel. A suggestion.
struct HeardDevice {
    std::vector<std::size_t> networks;  ///< the strongest first
};

/// A client that asked or joined.
struct HeardClient {
    std::uint64_t address = 0;
    Abilities can;
    bool asked_24 = false, asked_5 = false, asked_6 = false;
    std::optional<double> signal_dbm;
    std::uint64_t bssid = 0;  ///< that it joined or sent to; 0: none seen
};

struct HeardChannel {
    Channel channel;  ///< 20 MHz, as the receiver was tuned
    std::size_t frames = 0, data = 0, again = 0;
    double retries() const { return data > 0 ? static_cast<double>(again) / static_cast<double>(data) : 0; }
};

struct HeardAir {
    std::vector<HeardNetwork> networks;  ///< by band, primary, address
    std::vector<HeardDevice> radios;
    std::vector<HeardClient> clients;
    std::vector<HeardChannel> channels;
    std::size_t frames = 0, without_level = 0;
    double begins_s = 0, lasts_s = 0;  ///< since 1970
    std::vector<Said> warnings;
};

/// Collects frames one after another.
class AirListener {
public:
    AirListener();
    ~AirListener();
    /// `at_s`: since 1970.
    void hear(int link_type, FrameBytes, double at_s);
    /// The file ends in the middle of a frame.
    void note_cut_off();
    HeardAir result() const;

private:
    struct Kept;
    std::unique_ptr<Kept> kept_;
};

/// A file of the pcap or pcapng format. Throws Error where it is none, cannot be read, or is of a link that
/// carries no such frames; Cancelled. `progress`: the share that is read.
HeardAir read_capture(const std::filesystem::path&, const CancelToken& = {},
                      const std::function<void(double)>& progress = {});

}  // namespace yemvo
