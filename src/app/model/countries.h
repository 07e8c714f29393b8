// SPDX-License-Identifier: GPL-3.0-or-later
// Countries whose rules a plan can be made for, by name.
#pragma once
#include <utility>

#include "base/said.h"

namespace yemvo::app {

/// ISO 3166-1 alpha-2 code and name, by name.
inline constexpr std::pair<const char*, const char*> countries[] = {
    {"AT", mark("Austria")},        {"AU", mark("Australia")},   {"BE", mark("Belgium")},
    {"BR", mark("Brazil")},         {"CA", mark("Canada")},      {"CH", mark("Switzerland")},
    {"CZ", mark("Czechia")},        {"DE", mark("Germany")},     {"DK", mark("Denmark")},
    {"ES", mark("Spain")},          {"FI", mark("Finland")},     {"FR", mark("France")},
    {"GB", mark("United Kingdom")}, {"IE", mark("Ireland")},     {"IN", mark("India")},
    {"IT", mark("Italy")},          {"JP", mark("Japan")},       {"KR", mark("Korea")},
    {"MX", mark("Mexico")},         {"NL", mark("Netherlands")}, {"NO", mark("Norway")},
    {"NZ", mark("New Zealand")},    {"PL", mark("Poland")},      {"PT", mark("Portugal")},
    {"SE", mark("Sweden")},         {"SG", mark("Singapore")},   {"US", mark("United States")},
    {"ZA", mark("South Africa")}};

}  // namespace yemvo::app
