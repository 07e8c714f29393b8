// SPDX-License-Identifier: GPL-3.0-or-later
// How far an access point of the plan has come on site, and which unit hangs there.
#pragma once
#include <array>
#include <optional>
#include <string>
#include <string_view>

namespace yemvo {

enum class SiteState { planned, hung, checked };

struct SiteStateName {
    SiteState state;
    const char* key;   ///< in files
    const char* name;  ///< marked for translation by who shows it
};
inline constexpr std::array<SiteStateName, 3> site_states{{{SiteState::planned, "planned", "Planned"},
                                                           {SiteState::hung, "hung", "Hung"},
                                                           {SiteState::checked, "checked", "Checked"}}};

inline const SiteStateName& site_state(SiteState s) { return site_states[static_cast<std::size_t>(s)]; }

inline std::optional<SiteState> find_site_state(std::string_view key) {
    for (const SiteStateName& s : site_states)
        if (s.key == key) return s.state;
    return {};
}

struct OnSite {
    SiteState state = SiteState::planned;
    std::string date;     ///< of the state, as 2026-03-01; empty: not told
    std::string serial;   ///< of the unit
    std::string address;  ///< of the unit's wired port, as 02:1e:5a:07:10:24
    std::string photo;    ///< an asset of the project; empty: none
    std::string note;     ///< for who hangs it
    friend bool operator==(const OnSite&, const OnSite&) = default;
};

/// The state with today as its day; planned has none.
void set_state(OnSite&, SiteState);
/// Today, by the machine's clock, as 2026-03-01.
std::string today();

/// "02-1E-5A-07-10-24" and the like with small letters and colons; none where it is no address of six bytes.
std::optional<std::string> address_text(std::string_view);
/// A day that a calendar has, as 2026-03-01.
bool is_day(std::string_view);

}  // namespace yemvo
