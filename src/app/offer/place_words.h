// SPDX-License-Identifier: GPL-3.0-or-later
// A place as the line at the foot says it.
#pragma once
#include <QString>

namespace yemvo::app {

class Workspace;

/// "x 12.30  y 4.05", in the project's lengths.
QString place_words(const Workspace&, const QString& across, double x_m, const QString& up, double y_m);

}  // namespace yemvo::app
