// SPDX-License-Identifier: GPL-3.0-or-later
// The user guide in the window: its chapters, its text, a word to look for.
#pragma once
#include <QWidget>

class QLabel;
class QLineEdit;
class QListWidget;
class QTextBrowser;

namespace yemvo::app {

class GuidePage : public QWidget {
    Q_OBJECT
public:
    explicit GuidePage(QWidget* parent = nullptr);
    QListWidget& chapters() { return *chapters_; }
    QTextBrowser& text() { return *text_; }

signals:
    void left();

protected:
    void keyPressEvent(QKeyEvent*) override;
    void showEvent(QShowEvent*) override;
    void paintEvent(QPaintEvent*) override;

private:
    void read();
    void show_chapter(int);
    void find();
    QListWidget* chapters_;
    QTextBrowser* text_;
    QLineEdit* word_;
    QLabel* told_;  ///< of the word, when it is nowhere
};

}  // namespace yemvo::app
