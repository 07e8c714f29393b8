// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <initializer_list>
#include <string_view>

#include "handover/table.h"
#include "render/report/blocks.h"

namespace yemvo::render::report {

/// A handed-over table as a report has it: these of its columns (all where none is named), in the desktop's
/// language. Columns without any value in them are left out; a last row has the sums.
TableBlock table_of(const HandoverTable&, std::initializer_list<std::string_view> columns = {});

/// A pair of words and a value a row.
TableBlock pairs_table(const std::vector<std::pair<QString, QString>>&);

}  // namespace yemvo::render::report
