// SPDX-License-Identifier: GPL-3.0-or-later
// A model's power table as it is typed: a row a source and way of using it, a column a radio.
#pragma once
#include <QString>
#include <vector>

#include "gear/model.h"

class QTableWidget;

namespace yemvo::app {

/// Columns: source, watts, used for, then each radio.
QTableWidget* power_table(const AccessPointModel&);
void fill_power(QTableWidget*, const AccessPointModel&);
/// As typed; rows of one source are its alternatives. Throws Error that names column and row.
std::vector<PowerRow> power_in(const QTableWidget*, const AccessPointModel&);

/// "all", "off", "2×2:2", "2×2:2, 18 dBm", "18 dBm"
QString limit_text(const RadioLimit*);
/// None for "all" and for nothing. Throws Error.
std::optional<RadioLimit> parse_limit(const QString&, int radio);

}  // namespace yemvo::app
