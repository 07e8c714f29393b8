// SPDX-License-Identifier: GPL-3.0-or-later
// The open wireless regulatory database: which frequencies each country lets devices use, and how.
// Source: the binary format of wireless-regdb (magic "RGDB", version 20), as the Linux kernel reads it.
#pragma once
#include <cstddef>
#include <map>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "base/error.h"

namespace yemvo {

/// Whose rules for radar a country follows.
enum class DfsRegion { none, fcc, etsi, japan };
/// "", "FCC", "ETSI", "JP"
std::string_view dfs_region_name(DfsRegion);

/// As the database has it.
struct RegulatoryRange {
    double low_mhz = 0, high_mhz = 0;
    double max_eirp_dbm = 0;
    double max_width_mhz = 0;
    bool dfs = false;    ///< radar must be listened for
    int dfs_wait_s = 0;  ///< before sending, where the database states it; 0: not stated
    bool indoor_only = false;
    bool no_initiation = false;  ///< only answers to others: no access point without further rules
    bool no_ofdm = false;        ///< DSSS and CCK alone
    bool auto_width = false;     ///< channels may lie across neighbouring ranges that say so, too
};

struct CountryRules {
    std::string code;  ///< ISO 3166-1 alpha-2; "00": anywhere
    DfsRegion region = DfsRegion::none;
    std::vector<RegulatoryRange> ranges;  ///< upwards
};

class RegulatoryDatabase {
public:
    /// Throws Error that names the place of what is broken.
    static RegulatoryDatabase read(std::span<const std::byte>);
    /// Null for a country without data.
    const CountryRules* find(std::string_view code) const;
    const std::map<std::string, CountryRules, std::less<>>& countries() const { return countries_; }

private:
    std::map<std::string, CountryRules, std::less<>> countries_;
};

}  // namespace yemvo
