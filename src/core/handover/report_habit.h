// SPDX-License-Identifier: GPL-3.0-or-later
// The report as somebody usually has it, kept for other projects.
#pragma once
#include <string>
#include <string_view>

#include "project/handover_book.h"

namespace yemvo {

/// Sections, maps, paper, author and own words; not what is of one project: title, customer, revision, logo.
std::string habit_to_text(const ReportChoice&);
/// Over what the project has. `file`: for messages. Throws Error for what is no such file.
void take_habit(ReportChoice& into, std::string_view text, const std::string& file);

}  // namespace yemvo
