// SPDX-License-Identifier: GPL-3.0-or-later
// Countries whose rules a plan can be made for, by name.
#pragma once
#include <utility>

namespace yemvo::app {

/// ISO 3166-1 alpha-2 code and name, by name.
inline constexpr std::pair<const char*, const char*> countries[] = {
    {"AT", "Austria"},        {"AU", "Australia"},   {"BE", "Belgium"},       {"BR", "Brazil"},
    {"CA", "Canada"},         {"CH", "Switzerland"}, {"CZ", "Czechia"},       {"DE", "Germany"},
    {"DK", "Denmark"},        {"ES", "Spain"},       {"FI", "Finland"},       {"FR", "France"},
    {"GB", "United Kingdom"}, {"IE", "Ireland"},     {"IN", "India"},         {"IT", "Italy"},
    {"JP", "Japan"},          {"KR", "Korea"},       {"MX", "Mexico"},        {"NL", "Netherlands"},
    {"NO", "Norway"},         {"NZ", "New Zealand"}, {"PL", "Poland"},        {"PT", "Portugal"},
    {"SE", "Sweden"},         {"SG", "Singapore"},   {"US", "United States"}, {"ZA", "South Africa"}};

}  // namespace yemvo::app
