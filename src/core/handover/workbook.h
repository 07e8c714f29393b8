// SPDX-License-Identifier: GPL-3.0-or-later
// Tables as a spreadsheet: a sheet each, units in the heads, sums and products as formulas.
#pragma once
#include <span>
#include <string>

#include "handover/table.h"

namespace yemvo {

/// The bytes of an .xlsx file. Throws Error for a table with more rows than a sheet may have (1,048,576).
std::string workbook_bytes(std::span<const HandoverTable>, const std::string& title);

}  // namespace yemvo
