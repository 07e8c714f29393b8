// SPDX-License-Identifier: GPL-3.0-or-later
// How many findings wait to be mended or accepted, in the header.
#pragma once
#include <QAbstractButton>

namespace yemvo::app {

class Workspace;

class FindingsButton : public QAbstractButton {
    Q_OBJECT
public:
    explicit FindingsButton(Workspace&, QWidget* parent = nullptr);

protected:
    void paintEvent(QPaintEvent*) override;

private:
    Workspace& workspace_;
};

}  // namespace yemvo::app
