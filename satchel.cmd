@echo off
rem The same for Windows: set JAVA_HOME to a JDK 25 and have Maven on the path.
setlocal
set ROOT=%~dp0
if "%1"=="test" (
  call mvn -B -f "%ROOT%pom.xml" verify
  exit /b %ERRORLEVEL%
)
if not exist "%ROOT%desktop\target\app\desktop-0.1.0.jar" (
  call mvn -B -q -f "%ROOT%pom.xml" package -DskipTests || exit /b 3
)
"%JAVA_HOME%\bin\java" --enable-native-access=javafx.graphics -p "%ROOT%desktop\target\app" -m boldsatchel.desktop/boldsatchel.desktop.Main %*
exit /b %ERRORLEVEL%
