// SPDX-License-Identifier: GPL-3.0-or-later
// The edits of this session in their order; a click goes back to how the project was after one, or forward
// again.
#pragma once
#include <QListWidget>

namespace yemvo::app {

class Workspace;

class HistoryPage : public QListWidget {
    Q_OBJECT
public:
    explicit HistoryPage(Workspace&, QWidget* parent = nullptr);

protected:
    void keyPressEvent(QKeyEvent*) override;
    void showEvent(QShowEvent*) override;
    void changeEvent(QEvent*) override;

private:
    void refresh();
    void go(int row);
    Workspace& workspace_;
};

}  // namespace yemvo::app
