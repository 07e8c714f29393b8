// SPDX-License-Identifier: GPL-3.0-or-later
// What every control owes to those who use the program by keyboard or ear, seen to in one place.
#pragma once

class QApplication;
class QWidget;
class QString;

namespace yemvo::app {

/// From now on: a button without words is called by its hint, a field by its hint or by what it shows while
/// it is empty unless a label is its own; Tab leaves every table and list.
void make_accessible(QApplication&);

/// The field is what the label speaks of: it has its name, and the label's key goes to it.
void belongs_to(QWidget* field, const QString& label);

}  // namespace yemvo::app
