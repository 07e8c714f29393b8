// SPDX-License-Identifier: GPL-3.0-or-later
// What an access point may do in a country: which channels, how loud, under which conditions.
//
// The open regulatory database says which ranges are free and for what; our own table (own_limits.h) lays
// densities, classes of devices and longer waits over it. Where both state a power for a range, our own
// replaces the database's (which counts conducted power, or the weakest class, in some countries), and its
// density lowers both.
#pragma once
#include <optional>
#include <string>
#include <vector>

#include "regulation/own_limits.h"
#include "wireless/channel.h"

namespace yemvo {

enum class Place { indoors, outdoors };

struct ChannelPermit {
    Channel channel;
    double max_eirp_dbm = 0;
    std::optional<double> density_dbm_per_mhz;
    bool dfs = false;
    int dfs_wait_s = 0;     ///< before sending
    std::string wait_name;  ///< why that is long: "weather radar"
    bool indoor_only = false;
    bool no_initiation = false;
    std::optional<ElevationLimit> elevation;
    std::vector<std::string> sources;  ///< of our own limits that took part
};

/// What a stretch of a band is for, for drawing: neighbouring stretches of the same kind are one.
struct BandStretch {
    double low_mhz, high_mhz;
    bool barred = false, dfs = false, indoor_only = false;
    double max_eirp_dbm = 0;
    int dfs_wait_s = 0;
    std::string wait_name;
    /// The same holds in both.
    bool is_like(const BandStretch& o) const {
        return barred == o.barred &&
               (barred || (dfs == o.dfs && indoor_only == o.indoor_only && dfs_wait_s == o.dfs_wait_s &&
                           max_eirp_dbm == o.max_eirp_dbm));
    }
};

/// Where a country has no data: no power is too much.
inline constexpr double any_power_dbm = 1e9;

class Regulation {
public:
    Regulation(RegulatoryDatabase, OwnLimits);
    /// From the database that the system has, else the one that is built in.
    static const Regulation& standard();
    /// Where the standard's database came from: a path, or "built in".
    static const std::string& source();

    const RegulatoryDatabase& database() const { return database_; }
    const OwnLimits& own() const { return own_; }
    bool knows(const std::string& country) const { return database_.find(country); }

    /// None where it is barred: outside of what the country frees, wider than it allows, only indoors, or not
    /// for the class of device. A country without data permits what the standard knows, at any power.
    std::optional<ChannelPermit> permit(const std::string& country, const Channel&, Place,
                                        std::optional<DeviceClass> = {}) const;
    /// All of a band at a width that are permitted, upwards.
    std::vector<ChannelPermit> permitted(const std::string& country, BandId, int width_mhz, Place,
                                         std::optional<DeviceClass> = {}) const;
    /// Why permit() gives none: "5250 to 5350 MHz is for indoors only".
    Said why_barred(const std::string& country, const Channel&, Place, std::optional<DeviceClass> = {}) const;
    /// The class that is taken where nobody says one: at 6 GHz indoors low power indoor, else standard power,
    /// else very low power, whichever the country has; none elsewhere.
    std::optional<DeviceClass> usual_class(const std::string& country, const Channel&, Place) const;
    /// As the database alone has it: for access points and clients, whatever our own table says.
    std::optional<ChannelPermit> in_database(const std::string& country, const Channel&) const;
    /// The whole of a band, upwards.
    std::vector<BandStretch> stretches(const std::string& country, BandId, Place) const;

private:
    std::vector<const OwnLimit*> own_for(const std::string& country, double low_mhz, double high_mhz) const;
    std::vector<double> cuts(const CountryRules&, const Band&) const;
    BandStretch stretch_in(const CountryRules&, const RegulatoryRange&, double low_mhz, double high_mhz,
                           Place) const;
    void lay_over(ChannelPermit&, const std::string& country, Place, std::optional<DeviceClass>) const;
    void add_wait(ChannelPermit&, const CountryRules&, double low_mhz, double high_mhz, int stated_s) const;

    RegulatoryDatabase database_;
    OwnLimits own_;
};

/// The band's ends of a channel [MHz].
double low_mhz(const Channel&);
double high_mhz(const Channel&);

/// Preferred scanning channel: where 6 GHz clients look for access points that nobody told them of.
/// Source: IEEE 802.11ax, 27.3.23.2.
bool is_preferred_scanning(int primary);

}  // namespace yemvo
