// SPDX-License-Identifier: GPL-3.0-or-later
// How large text, and with it everything of the window, is. Where the desktop enlarges text for all programs
// the window follows by itself; this comes on top.
#pragma once
#include <array>

namespace yemvo::app {

/// As the desktop has it, and larger.
inline constexpr std::array<int, 5> text_sizes_percent{100, 110, 125, 150, 175};

/// What a person has chosen; 100 where nothing that is offered.
int text_size_percent();
/// From the next start on.
void choose_text_size(int percent);
/// Before the application is made: Qt asks once. A scale that the surroundings set already stays.
void apply_text_size();

}  // namespace yemvo::app
