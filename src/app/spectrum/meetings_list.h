// SPDX-License-Identifier: GPL-3.0-or-later
// Who takes air from whom: the list behind the board's lines.
#pragma once
#include <QListWidget>

namespace yemvo::app {

class Workspace;

class MeetingsList : public QListWidget {
    Q_OBJECT
public:
    explicit MeetingsList(Workspace&, QWidget* parent = nullptr);
    /// The words of a row, as they are painted.
    QString words(int row) const;

private:
    void refresh();
    void go_to(int row);
    void showEvent(QShowEvent*) override;
    Workspace& workspace_;
    bool filling_ = false;
};

}  // namespace yemvo::app
