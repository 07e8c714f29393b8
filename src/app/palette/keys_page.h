// SPDX-License-Identifier: GPL-3.0-or-later
// All keys on one page.
#pragma once
#include <QDialog>

class QMenuBar;

namespace yemvo::app {

class KeysPage : public QDialog {
    Q_OBJECT
public:
    /// Keys of the menus' actions, and those that hold while drawing.
    KeysPage(const QMenuBar&, QWidget* window);
};

}  // namespace yemvo::app
