// SPDX-License-Identifier: GPL-3.0-or-later
// A part of the window that makes its offers to the shell when it is made.
#pragma once
#include <QObject>

#include "app/model/workspace.h"
#include "app/offer/shell.h"

namespace yemvo::app {

class Feature : public QObject {
protected:
    explicit Feature(Shell& shell) : shell_(shell), workspace_(shell.workspace()) {}
    Shell& shell_;
    Workspace& workspace_;
};

}  // namespace yemvo::app
