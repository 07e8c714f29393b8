// SPDX-License-Identifier: GPL-3.0-or-later
// The tray page of the spectrum: the board, and the list of who takes air from whom.
#pragma once
#include <QWidget>

class QAction;
class QLabel;
class QHBoxLayout;
class QScrollArea;

namespace yemvo::app {

class BoardView;
class MeetingsList;
class Workspace;

class SpectrumPage : public QWidget {
    Q_OBJECT
public:
    explicit SpectrumPage(Workspace&, QWidget* parent = nullptr);
    BoardView& board() { return *board_; }
    MeetingsList& meetings() { return *meetings_; }
    /// What the row above says.
    QString summary() const;
    /// A button at the right end of the row above the board.
    void add_button(QAction*);

private:
    void two(QHBoxLayout*, const QString& words, const QStringList& names, const char* object,
             void (SpectrumPage::*choose)(int));
    void stack_by(int);
    void fill_by(int);
    void show_floors(int);
    void place_list();
    void tell();
    void resizeEvent(QResizeEvent*) override;
    void showEvent(QShowEvent*) override;
    Workspace& workspace_;
    QHBoxLayout* head_;
    QLabel* summary_;
    QScrollArea* scroll_;
    BoardView* board_;
    QWidget* beside_;
    MeetingsList* meetings_;
};

}  // namespace yemvo::app
